-- Several workshops may use one installation. What is there belongs to the first of them.
ALTER TABLE "departures" DROP CONSTRAINT "departures_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE job_words DROP CONSTRAINT job_words_job_id_fkey;
--> statement-breakpoint
ALTER TABLE job_words DROP CONSTRAINT job_words_pkey;
--> statement-breakpoint
ALTER TABLE "job_lamps" DROP CONSTRAINT "job_lamps_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "job_links" DROP CONSTRAINT "job_links_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "job_needs" DROP CONSTRAINT "job_needs_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "jobs" DROP CONSTRAINT "jobs_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "pack_ticks" DROP CONSTRAINT "pack_ticks_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "photos" DROP CONSTRAINT "photos_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "pieces" DROP CONSTRAINT "pieces_job_id_jobs_id_fk";
--> statement-breakpoint
ALTER TABLE "sessions" DROP CONSTRAINT "sessions_account_id_accounts_id_fk";
--> statement-breakpoint
DROP INDEX "job_links_by_job";
--> statement-breakpoint
DROP INDEX "jobs_by_doors";
--> statement-breakpoint
DROP INDEX "movements_by_product";
--> statement-breakpoint
DROP INDEX "movements_by_key";
--> statement-breakpoint
DROP INDEX "sessions_by_account";
--> statement-breakpoint
DROP INDEX "versions_by_job";
--> statement-breakpoint
DROP INDEX "versions_by_row";
--> statement-breakpoint
ALTER TABLE "pack_ticks" DROP CONSTRAINT "pack_ticks_job_id_row_pk";
--> statement-breakpoint
ALTER TABLE "photos" DROP CONSTRAINT "photos_job_id_id_pk";
--> statement-breakpoint
ALTER TABLE "pieces" DROP CONSTRAINT "pieces_job_id_id_pk";
--> statement-breakpoint
ALTER TABLE "accounts" DROP CONSTRAINT "accounts_pkey";
--> statement-breakpoint
ALTER TABLE "crew" DROP CONSTRAINT "crew_pkey";
--> statement-breakpoint
ALTER TABLE "departures" DROP CONSTRAINT "departures_pkey";
--> statement-breakpoint
ALTER TABLE "job_lamps" DROP CONSTRAINT "job_lamps_pkey";
--> statement-breakpoint
ALTER TABLE "job_needs" DROP CONSTRAINT "job_needs_pkey";
--> statement-breakpoint
ALTER TABLE "jobs" DROP CONSTRAINT "jobs_pkey";
--> statement-breakpoint
ALTER TABLE "sites" DROP CONSTRAINT "sites_pkey";
--> statement-breakpoint
ALTER TABLE "workshop" DROP CONSTRAINT "workshop_pkey";
--> statement-breakpoint
ALTER TABLE accounts ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE accounts ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE crew ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE crew ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE departures ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE departures ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE job_lamps ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE job_lamps ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE job_links ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE job_links ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE job_needs ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE job_needs ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE jobs ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE jobs ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE movements ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE movements ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE pack_ticks ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE pack_ticks ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE phones ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE phones ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE photos ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE photos ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE pieces ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE pieces ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE sessions ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE sessions ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE sites ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE sites ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE versions ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE versions ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE workshop ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE workshop ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE job_words ADD COLUMN workshop_id text DEFAULT 'first' NOT NULL;
--> statement-breakpoint
ALTER TABLE job_words ALTER COLUMN workshop_id SET DEFAULT current_setting('lantern.workshop');
--> statement-breakpoint
ALTER TABLE "accounts" ADD CONSTRAINT "accounts_workshop_id_id_pk" PRIMARY KEY("workshop_id","id");
--> statement-breakpoint
ALTER TABLE "crew" ADD CONSTRAINT "crew_workshop_id_id_pk" PRIMARY KEY("workshop_id","id");
--> statement-breakpoint
ALTER TABLE "departures" ADD CONSTRAINT "departures_workshop_id_job_id_pk" PRIMARY KEY("workshop_id","job_id");
--> statement-breakpoint
ALTER TABLE "job_lamps" ADD CONSTRAINT "job_lamps_workshop_id_job_id_pk" PRIMARY KEY("workshop_id","job_id");
--> statement-breakpoint
ALTER TABLE "job_needs" ADD CONSTRAINT "job_needs_workshop_id_job_id_pk" PRIMARY KEY("workshop_id","job_id");
--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_workshop_id_id_pk" PRIMARY KEY("workshop_id","id");
--> statement-breakpoint
ALTER TABLE "pack_ticks" ADD CONSTRAINT "pack_ticks_workshop_id_job_id_row_pk" PRIMARY KEY("workshop_id","job_id","row");
--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_workshop_id_job_id_id_pk" PRIMARY KEY("workshop_id","job_id","id");
--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_workshop_id_job_id_id_pk" PRIMARY KEY("workshop_id","job_id","id");
--> statement-breakpoint
ALTER TABLE "sites" ADD CONSTRAINT "sites_workshop_id_id_pk" PRIMARY KEY("workshop_id","id");
--> statement-breakpoint
ALTER TABLE "workshop" ADD CONSTRAINT "workshop_workshop_id_id_pk" PRIMARY KEY("workshop_id","id");
--> statement-breakpoint
ALTER TABLE "departures" ADD CONSTRAINT "departures_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "job_lamps" ADD CONSTRAINT "job_lamps_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "job_links" ADD CONSTRAINT "job_links_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "job_needs" ADD CONSTRAINT "job_needs_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_workshop_id_site_id_sites_workshop_id_id_fk" FOREIGN KEY ("workshop_id","site_id") REFERENCES "public"."sites"("workshop_id","id") ON DELETE restrict ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "pack_ticks" ADD CONSTRAINT "pack_ticks_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_workshop_id_account_id_accounts_workshop_id_id_fk" FOREIGN KEY ("workshop_id","account_id") REFERENCES "public"."accounts"("workshop_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "job_links_by_job" ON "job_links" USING btree ("workshop_id","job_id");
--> statement-breakpoint
CREATE INDEX "jobs_by_doors" ON "jobs" USING btree ("workshop_id","doors","id");
--> statement-breakpoint
CREATE INDEX "movements_by_product" ON "movements" USING btree ("workshop_id","nominal_in","colour");
--> statement-breakpoint
CREATE INDEX "movements_by_key" ON "movements" USING btree ("workshop_id","booking_key");
--> statement-breakpoint
CREATE INDEX "sessions_by_account" ON "sessions" USING btree ("workshop_id","account_id");
--> statement-breakpoint
CREATE INDEX "versions_by_job" ON "versions" USING btree ("workshop_id","job_id","at");
--> statement-breakpoint
CREATE INDEX "versions_by_row" ON "versions" USING btree ("workshop_id","job_id","row_id","at");
--> statement-breakpoint
ALTER TABLE job_words ADD CONSTRAINT job_words_workshop_id_job_id_pk PRIMARY KEY (workshop_id, job_id);
--> statement-breakpoint
ALTER TABLE job_words ADD CONSTRAINT job_words_workshop_id_job_id_jobs_workshop_id_id_fk FOREIGN KEY (workshop_id, job_id) REFERENCES jobs (workshop_id, id) ON DELETE cascade;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION note_job_words(wanted text) RETURNS void LANGUAGE sql AS $$
  INSERT INTO job_words (job_id, words) SELECT j.id, job_words_of(j.id) FROM jobs j WHERE j.id = wanted
  ON CONFLICT (workshop_id, job_id) DO UPDATE SET words = excluded.words
$$;
--> statement-breakpoint
-- As before, and of which workshop it is: its pages are told and no others.
CREATE OR REPLACE FUNCTION tell_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  changed record;
  key text;
BEGIN
  IF TG_OP = 'DELETE' THEN changed := OLD; ELSE changed := NEW; END IF;
  IF TG_ARGV[1] = 'job_id' THEN key := changed.job_id; ELSIF TG_ARGV[1] = 'id' THEN key := changed.id; ELSE key := ''; END IF;
  PERFORM pg_notify('early_lantern', json_build_object('workshop', changed.workshop_id, 'what', TG_ARGV[0], 'id', key)::text);
  RETURN NULL;
END $$;
--> statement-breakpoint
-- Whoever does not own the tables sees and writes rows of the workshop that the connection was told, and no others; told none, none.
ALTER TABLE accounts ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON accounts USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE crew ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON crew USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE departures ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON departures USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE job_lamps ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON job_lamps USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE job_links ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON job_links USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE job_needs ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON job_needs USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE job_words ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON job_words USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE jobs ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON jobs USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE movements ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON movements USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE pack_ticks ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON pack_ticks USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE phones ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON phones USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE photos ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON photos USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE pieces ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON pieces USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE sessions ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON sessions USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE sites ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON sites USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE versions ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON versions USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE workshop ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON workshop USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
