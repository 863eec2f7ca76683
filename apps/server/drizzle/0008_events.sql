-- Every change of a row is told to whoever listens, once the transaction that made it is through. What is told alike within
-- one transaction is told once: a file read in with twenty pieces says "job" and "piece" of it, once each.
CREATE FUNCTION tell_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  changed record;
  key text;
BEGIN
  IF TG_OP = 'DELETE' THEN changed := OLD; ELSE changed := NEW; END IF;
  IF TG_ARGV[1] = 'job_id' THEN key := changed.job_id; ELSIF TG_ARGV[1] = 'id' THEN key := changed.id; ELSE key := ''; END IF;
  PERFORM pg_notify('early_lantern', json_build_object('what', TG_ARGV[0], 'id', key)::text);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON workshop FOR EACH ROW EXECUTE FUNCTION tell_change('workshop', 'id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON crew FOR EACH ROW EXECUTE FUNCTION tell_change('crew', 'id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON sites FOR EACH ROW EXECUTE FUNCTION tell_change('site', 'id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON jobs FOR EACH ROW EXECUTE FUNCTION tell_change('job', 'id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON pieces FOR EACH ROW EXECUTE FUNCTION tell_change('piece', 'job_id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON pack_ticks FOR EACH ROW EXECUTE FUNCTION tell_change('packing', 'job_id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON departures FOR EACH ROW EXECUTE FUNCTION tell_change('packing', 'job_id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON photos FOR EACH ROW EXECUTE FUNCTION tell_change('photo', 'job_id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON job_lamps FOR EACH ROW EXECUTE FUNCTION tell_change('lamps', 'job_id');
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT ON movements FOR EACH ROW EXECUTE FUNCTION tell_change('stock', '');
