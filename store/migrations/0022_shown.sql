ALTER TABLE "shares" ADD COLUMN "shows" text[];--> statement-breakpoint
UPDATE "shares" SET "shows" = '{picture,steps,supplies,notes,photos}';--> statement-breakpoint
ALTER TABLE "shares" ALTER COLUMN "shows" SET NOT NULL;
