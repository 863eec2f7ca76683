CREATE TABLE "movements" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "movements_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"nominal_in" double precision NOT NULL,
	"colour" text NOT NULL,
	"kind" text NOT NULL,
	"change" integer NOT NULL,
	"on_hand" integer NOT NULL,
	"note" text NOT NULL
);
--> statement-breakpoint
CREATE INDEX "movements_by_product" ON "movements" USING btree ("nominal_in","colour");