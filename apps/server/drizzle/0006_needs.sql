CREATE TABLE "job_needs" (
	"job_id" text PRIMARY KEY NOT NULL,
	"made_of" text NOT NULL,
	"needs" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job_needs" ADD CONSTRAINT "job_needs_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;