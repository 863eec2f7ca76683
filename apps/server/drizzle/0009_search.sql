-- The words by which a job is found: its name, occasion and notes, its place, its pieces and its people. Kept by the database
-- itself, whatever changes them.
CREATE TABLE job_words (job_id text PRIMARY KEY REFERENCES jobs(id) ON DELETE CASCADE, words tsvector NOT NULL);
--> statement-breakpoint
CREATE INDEX job_words_words ON job_words USING gin (words);
--> statement-breakpoint
CREATE FUNCTION job_words_of(wanted text) RETURNS tsvector LANGUAGE sql STABLE AS $$
  SELECT setweight(to_tsvector('simple', coalesce(j.data->>'name', '')), 'A')
    || setweight(to_tsvector('simple', concat_ws(' ', s.data->>'name',
      (SELECT string_agg(p.data->>'name', ' ') FROM pieces p WHERE p.job_id = j.id),
      (SELECT string_agg(c.data->>'name', ' ') FROM crew c WHERE j.data->'crew' ? c.id OR j.data->'strikeCrew' ? c.id))), 'B')
    || setweight(to_tsvector('simple', concat_ws(' ', j.data->>'event', j.data->>'notes')), 'C')
  FROM jobs j JOIN sites s ON s.id = j.site_id WHERE j.id = wanted
$$;
--> statement-breakpoint
CREATE FUNCTION note_job_words(wanted text) RETURNS void LANGUAGE sql AS $$
  INSERT INTO job_words SELECT j.id, job_words_of(j.id) FROM jobs j WHERE j.id = wanted
  ON CONFLICT (job_id) DO UPDATE SET words = excluded.words
$$;
--> statement-breakpoint
CREATE FUNCTION words_changed() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  one text;
BEGIN
  CASE TG_ARGV[0]
    WHEN 'job' THEN PERFORM note_job_words(NEW.id);
    WHEN 'piece' THEN
      IF TG_OP = 'DELETE' THEN PERFORM note_job_words(OLD.job_id); ELSE PERFORM note_job_words(NEW.job_id); END IF;
    WHEN 'site' THEN FOR one IN SELECT id FROM jobs WHERE site_id = NEW.id LOOP PERFORM note_job_words(one); END LOOP;
    ELSE
      FOR one IN SELECT id FROM jobs WHERE data->'crew' ? NEW.id OR data->'strikeCrew' ? NEW.id
        LOOP PERFORM note_job_words(one); END LOOP;
  END CASE;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER words_new AFTER INSERT ON jobs FOR EACH ROW EXECUTE FUNCTION words_changed('job');
--> statement-breakpoint
CREATE TRIGGER words_changed AFTER UPDATE ON jobs FOR EACH ROW WHEN (OLD.data IS DISTINCT FROM NEW.data)
  EXECUTE FUNCTION words_changed('job');
--> statement-breakpoint
CREATE TRIGGER words_new AFTER INSERT OR DELETE ON pieces FOR EACH ROW EXECUTE FUNCTION words_changed('piece');
--> statement-breakpoint
CREATE TRIGGER words_changed AFTER UPDATE ON pieces FOR EACH ROW WHEN (OLD.data->>'name' IS DISTINCT FROM NEW.data->>'name')
  EXECUTE FUNCTION words_changed('piece');
--> statement-breakpoint
CREATE TRIGGER words_changed AFTER UPDATE ON sites FOR EACH ROW WHEN (OLD.data->>'name' IS DISTINCT FROM NEW.data->>'name')
  EXECUTE FUNCTION words_changed('site');
--> statement-breakpoint
CREATE TRIGGER words_changed AFTER UPDATE ON crew FOR EACH ROW WHEN (OLD.data->>'name' IS DISTINCT FROM NEW.data->>'name')
  EXECUTE FUNCTION words_changed('person');
--> statement-breakpoint
INSERT INTO job_words SELECT id, job_words_of(id) FROM jobs WHERE job_words_of(id) IS NOT NULL;
