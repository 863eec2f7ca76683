CREATE TABLE "site_entries" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"job_id" text NOT NULL,
	"id" text NOT NULL,
	"seq" integer GENERATED ALWAYS AS IDENTITY (sequence name "site_entries_seq_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"device" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"event" jsonb NOT NULL,
	"replaces" jsonb,
	"heard_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "site_entries_workshop_id_job_id_id_pk" PRIMARY KEY("workshop_id","job_id","id")
);
--> statement-breakpoint
ALTER TABLE "site_entries" ADD CONSTRAINT "site_entries_workshop_id_job_id_jobs_workshop_id_id_fk" FOREIGN KEY ("workshop_id","job_id") REFERENCES "public"."jobs"("workshop_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "site_entries_by_seq" ON "site_entries" USING btree ("workshop_id","job_id","seq");--> statement-breakpoint
ALTER TABLE site_entries ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON site_entries USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON site_entries FOR EACH ROW EXECUTE FUNCTION tell_change('site-log', 'job_id');
