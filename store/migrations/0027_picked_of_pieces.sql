ALTER TABLE "pieces" ADD COLUMN "still_id" text GENERATED ALWAYS AS (coalesce(document ->> 'pictureId', document -> 'setUp' -> 'line' ->> 'pictureId')) STORED;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "picked" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
UPDATE "pieces" SET "listed" = 0;