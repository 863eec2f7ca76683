-- What a business has and has ordered are rows of their own: a booking writes those that it changes.
CREATE TABLE "item_movements" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "item_movements_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"item" text NOT NULL,
	"kind" text NOT NULL,
	"change" double precision NOT NULL,
	"on_hand" double precision NOT NULL,
	"note" text NOT NULL,
	"job_id" text
);
--> statement-breakpoint
CREATE TABLE "items" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"item" text NOT NULL,
	"on_hand" double precision NOT NULL,
	"own" jsonb,
	"position" integer GENERATED ALWAYS AS IDENTITY (sequence name "items_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	CONSTRAINT "items_workshop_id_item_pk" PRIMARY KEY("workshop_id","item")
);
--> statement-breakpoint
CREATE TABLE "orders" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"id" text NOT NULL,
	"data" jsonb NOT NULL,
	"position" integer GENERATED ALWAYS AS IDENTITY (sequence name "orders_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	CONSTRAINT "orders_workshop_id_id_pk" PRIMARY KEY("workshop_id","id")
);
--> statement-breakpoint
CREATE TABLE "shelf" (
	"workshop_id" text DEFAULT current_setting('lantern.workshop') NOT NULL,
	"nominal_in" double precision NOT NULL,
	"colour" text NOT NULL,
	"on_hand" integer NOT NULL,
	"position" integer GENERATED ALWAYS AS IDENTITY (sequence name "shelf_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	CONSTRAINT "shelf_workshop_id_nominal_in_colour_pk" PRIMARY KEY("workshop_id","nominal_in","colour")
);
--> statement-breakpoint
CREATE INDEX "item_movements_by_item" ON "item_movements" USING btree ("workshop_id","item");
--> statement-breakpoint
INSERT INTO shelf (workshop_id, nominal_in, colour, on_hand)
  SELECT workshop_id, (one.value->>'nominalIn')::float8, one.value->>'colour', (one.value->>'onHand')::int
  FROM workshop, jsonb_array_elements(data->'stock') WITH ORDINALITY one(value, turn)
  ORDER BY turn ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO orders (workshop_id, id, data)
  SELECT workshop_id, one.value->>'id', one.value FROM workshop, jsonb_array_elements(coalesce(data->'onOrder', '[]')) WITH ORDINALITY one(value, turn)
  ORDER BY turn ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO items (workshop_id, item, on_hand, own)
  SELECT workshop_id, one.value->>'item', (one.value->>'onHand')::float8, one.value->'own'
  FROM workshop, jsonb_array_elements(coalesce(data->'materials', '[]')) WITH ORDINALITY one(value, turn)
  ORDER BY turn ON CONFLICT DO NOTHING;
--> statement-breakpoint
-- Nobody has changed anything: no version of it is kept.
ALTER TABLE workshop DISABLE TRIGGER USER;
--> statement-breakpoint
UPDATE workshop SET data = data || '{"stock": []}'
  || CASE WHEN data ? 'onOrder' THEN '{"onOrder": []}'::jsonb ELSE '{}' END
  || CASE WHEN data ? 'materials' THEN '{"materials": []}'::jsonb ELSE '{}' END;
--> statement-breakpoint
ALTER TABLE workshop ENABLE TRIGGER USER;
--> statement-breakpoint
ALTER TABLE item_movements ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON item_movements USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE items ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON items USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE orders ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON orders USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
--> statement-breakpoint
ALTER TABLE shelf ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY one_workshop ON shelf USING (workshop_id = current_setting('lantern.workshop', true)) WITH CHECK (workshop_id = current_setting('lantern.workshop', true));
