ALTER TABLE "jobs" ADD COLUMN "used" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "movements" ADD COLUMN "job_id" text;--> statement-breakpoint
-- Jobs that are over held nothing until now: what they used has left the shelf already.
UPDATE "jobs" SET "used" = '{"balloons": [], "materials": []}', "used_at" = now() WHERE "doors" < now();
