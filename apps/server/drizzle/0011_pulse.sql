CREATE TABLE "pulse" (
	"id" integer PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
