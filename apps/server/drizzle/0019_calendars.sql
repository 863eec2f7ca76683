CREATE TABLE "calendar_links" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"token_hash" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	CONSTRAINT "calendar_links_token_hash_unique" UNIQUE("token_hash")
);

--> statement-breakpoint
ALTER TABLE calendar_links ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON calendar_links USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON calendar_links FOR EACH ROW EXECUTE FUNCTION tell_change('access', '');
