CREATE TABLE "departures" (
	"job_id" text PRIMARY KEY NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"reason" text NOT NULL,
	"left" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pack_ticks" (
	"job_id" text NOT NULL,
	"row" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "pack_ticks_job_id_row_pk" PRIMARY KEY("job_id","row")
);
--> statement-breakpoint
ALTER TABLE "departures" ADD CONSTRAINT "departures_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_ticks" ADD CONSTRAINT "pack_ticks_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;