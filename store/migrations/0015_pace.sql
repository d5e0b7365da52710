ALTER TABLE "studios" ADD COLUMN "speed" real DEFAULT 40 NOT NULL;--> statement-breakpoint
ALTER TABLE "studios" ADD COLUMN "change_seconds" real DEFAULT 6 NOT NULL;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "dry_time" integer;