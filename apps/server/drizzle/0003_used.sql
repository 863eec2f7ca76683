ALTER TABLE "jobs" ADD COLUMN "used" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "movements" ADD COLUMN "job_id" text;