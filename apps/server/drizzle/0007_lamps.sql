CREATE TABLE "job_lamps" (
	"job_id" text PRIMARY KEY NOT NULL,
	"made_of" text NOT NULL,
	"lamps" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job_lamps" ADD CONSTRAINT "job_lamps_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;