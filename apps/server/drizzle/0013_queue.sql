CREATE TABLE "work_hands" (
	"id" text PRIMARY KEY NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "work_items" (
	"key" text PRIMARY KEY NOT NULL,
	"input" text NOT NULL,
	"result" text,
	"failure" jsonb,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL,
	"done_at" timestamp with time zone
);
--> statement-breakpoint
CREATE INDEX "work_items_by_done" ON "work_items" USING btree ("done_at");