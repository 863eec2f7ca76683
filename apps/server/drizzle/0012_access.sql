CREATE TABLE "accounts" (
	"id" text PRIMARY KEY NOT NULL,
	"data" jsonb NOT NULL,
	"password_hash" text,
	"pin_hash" text,
	"wrong_tries" integer DEFAULT 0 NOT NULL,
	"locked_until" timestamp with time zone,
	"invite_hash" text,
	"invited_until" timestamp with time zone,
	"deleted_at" timestamp with time zone,
	"revision" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "job_links" (
	"id" text PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"signed_by" text,
	"signed_at" timestamp with time zone,
	"remarks" text DEFAULT '' NOT NULL,
	CONSTRAINT "job_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "phones" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "phones_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"phone_id" text
);
--> statement-breakpoint
ALTER TABLE "versions" ADD COLUMN "by" text;--> statement-breakpoint
ALTER TABLE "job_links" ADD CONSTRAINT "job_links_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_phone_id_phones_id_fk" FOREIGN KEY ("phone_id") REFERENCES "public"."phones"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_links_by_job" ON "job_links" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "sessions_by_account" ON "sessions" USING btree ("account_id");--> statement-breakpoint
-- Who may come in, and who has: every server forgets then what it knew of it.
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON accounts FOR EACH ROW EXECUTE FUNCTION tell_change('access', '');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR DELETE ON sessions FOR EACH ROW EXECUTE FUNCTION tell_change('access', '');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON job_links FOR EACH ROW EXECUTE FUNCTION tell_change('link', 'job_id');
--> statement-breakpoint
-- As before, and who changed it; of two people within five minutes each change is kept.
CREATE OR REPLACE FUNCTION keep_version() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job text;
  who text := nullif(current_setting('lantern.by', true), '');
BEGIN
  IF TG_ARGV[0] = 'piece' THEN job := OLD.job_id; ELSE job := OLD.id; END IF;
  IF TG_OP = 'DELETE' OR NOT EXISTS (
    SELECT FROM versions v WHERE v.job_id = job AND v.row_id = OLD.id AND v.what = TG_ARGV[0]
      AND v.at > now() - interval '5 minutes' AND v.by IS NOT DISTINCT FROM who
  ) THEN
    INSERT INTO versions (what, job_id, row_id, is_deleted, by, data)
      VALUES (TG_ARGV[0], job, OLD.id, TG_OP = 'DELETE', who, OLD.data);
    DELETE FROM versions WHERE id IN (
      SELECT v.id FROM versions v WHERE v.job_id = job AND v.row_id = OLD.id AND v.what = TG_ARGV[0] ORDER BY v.at DESC, v.id DESC OFFSET 100
    );
  END IF;
  RETURN NULL;
END $$;
