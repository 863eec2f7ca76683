CREATE TABLE "templates" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"id" text NOT NULL,
	"data" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "templates_workshop_id_id_pk" PRIMARY KEY("workshop_id","id")
);

--> statement-breakpoint
ALTER TABLE templates ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON templates USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON templates FOR EACH ROW EXECUTE FUNCTION tell_change('template', 'id');
