ALTER TABLE "work_events" ADD COLUMN "words" "tsvector" GENERATED ALWAYS AS (jsonb_to_tsvector('simple'::regconfig, body, '["string"]'::jsonb)) STORED;--> statement-breakpoint
CREATE INDEX "work_events_by_time" ON "work_events" USING btree ("studio_id","at");--> statement-breakpoint
CREATE INDEX "work_events_by_words" ON "work_events" USING gin ("words");