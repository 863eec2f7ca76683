CREATE TABLE "versions" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "versions_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"what" text NOT NULL,
	"job_id" text NOT NULL,
	"row_id" text NOT NULL,
	"is_deleted" boolean NOT NULL,
	"data" jsonb NOT NULL
);
--> statement-breakpoint
CREATE INDEX "versions_by_job" ON "versions" USING btree ("job_id","at");--> statement-breakpoint
CREATE INDEX "versions_by_row" ON "versions" USING btree ("job_id","row_id","at");--> statement-breakpoint
-- Keeps what a row was before it is changed or deleted: the first of several changes within five minutes, and every deletion; of one row
-- the last hundred.
CREATE FUNCTION keep_version() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job text;
BEGIN
  IF TG_ARGV[0] = 'piece' THEN job := OLD.job_id; ELSE job := OLD.id; END IF;
  IF TG_OP = 'DELETE' OR NOT EXISTS (
    SELECT FROM versions v WHERE v.job_id = job AND v.row_id = OLD.id AND v.what = TG_ARGV[0] AND v.at > now() - interval '5 minutes'
  ) THEN
    INSERT INTO versions (what, job_id, row_id, is_deleted, data) VALUES (TG_ARGV[0], job, OLD.id, TG_OP = 'DELETE', OLD.data);
    DELETE FROM versions WHERE id IN (
      SELECT v.id FROM versions v WHERE v.job_id = job AND v.row_id = OLD.id AND v.what = TG_ARGV[0] ORDER BY v.at DESC, v.id DESC OFFSET 100
    );
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER keep_version AFTER UPDATE ON jobs FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data) EXECUTE FUNCTION keep_version('job');
--> statement-breakpoint
CREATE TRIGGER keep_version AFTER UPDATE ON pieces FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data) EXECUTE FUNCTION keep_version('piece');
--> statement-breakpoint
CREATE TRIGGER keep_version_deleted AFTER DELETE ON pieces FOR EACH ROW EXECUTE FUNCTION keep_version('piece');
