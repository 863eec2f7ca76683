ALTER TABLE "movements" ADD COLUMN "booking_key" text;--> statement-breakpoint
CREATE INDEX "movements_by_key" ON "movements" USING btree ("booking_key");