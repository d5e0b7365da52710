CREATE TABLE "kept_groups" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"studio_id" uuid NOT NULL,
	"name" text NOT NULL,
	"tags" text[] DEFAULT '{}'::text[] NOT NULL,
	"tones" jsonb NOT NULL,
	"material" text DEFAULT 'other' NOT NULL,
	"school" text,
	"underlay" jsonb,
	"results" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "pressure" text;--> statement-breakpoint
ALTER TABLE "kept_groups" ADD CONSTRAINT "kept_groups_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "kept_groups_by_name" ON "kept_groups" USING btree ("studio_id","name");