ALTER TABLE "ink_events" ADD COLUMN "word_before" text;--> statement-breakpoint
ALTER TABLE "ink_events" ADD COLUMN "word_before_at" timestamp with time zone;