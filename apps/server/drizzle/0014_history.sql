-- Places, people and the workshop keep what they were before, as jobs and pieces do.
CREATE OR REPLACE FUNCTION keep_version() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job text := '';
  who text := nullif(current_setting('lantern.by', true), '');
BEGIN
  IF TG_ARGV[0] = 'piece' THEN job := OLD.job_id; ELSIF TG_ARGV[0] = 'job' THEN job := OLD.id; END IF;
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
--> statement-breakpoint
CREATE TRIGGER keep_version AFTER UPDATE ON workshop FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data) EXECUTE FUNCTION keep_version('workshop');
--> statement-breakpoint
CREATE TRIGGER keep_version AFTER UPDATE ON crew FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data) EXECUTE FUNCTION keep_version('crew');
--> statement-breakpoint
CREATE TRIGGER keep_version_deleted AFTER DELETE ON crew FOR EACH ROW EXECUTE FUNCTION keep_version('crew');
--> statement-breakpoint
CREATE TRIGGER keep_version AFTER UPDATE ON sites FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data) EXECUTE FUNCTION keep_version('site');
--> statement-breakpoint
CREATE TRIGGER keep_version_deleted AFTER DELETE ON sites FOR EACH ROW EXECUTE FUNCTION keep_version('site');
