-- Who may come in, and as what, keeps what it was before, as everything else does. A deleted account stays as a row: it is told as deleted.
CREATE FUNCTION keep_account() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO versions (what, job_id, row_id, is_deleted, by, data)
    VALUES ('account', '', OLD.id, NEW.deleted_at IS NOT NULL, nullif(current_setting('lantern.by', true), ''), OLD.data);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER keep_account AFTER UPDATE ON accounts FOR EACH ROW
  WHEN (OLD.data IS DISTINCT FROM NEW.data OR OLD.deleted_at IS DISTINCT FROM NEW.deleted_at) EXECUTE FUNCTION keep_account();
