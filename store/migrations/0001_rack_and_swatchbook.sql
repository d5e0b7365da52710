CREATE TABLE "charts" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"studio_id" uuid NOT NULL,
	"paper_id" uuid NOT NULL,
	"serial" integer NOT NULL,
	"title" text NOT NULL,
	"sheet" text NOT NULL,
	"lines" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"studio_id" uuid NOT NULL,
	"paper_id" uuid NOT NULL,
	"stack" text[] NOT NULL,
	"lift" boolean DEFAULT false NOT NULL,
	"backing" text DEFAULT 'paper' NOT NULL,
	"lab" double precision[] NOT NULL,
	"hex" text,
	"source" text NOT NULL,
	"spread" double precision,
	"streakiness" double precision,
	"confidence" double precision,
	"scan_id" uuid,
	"excluded" boolean DEFAULT false NOT NULL,
	"read_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "scans" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"studio_id" uuid NOT NULL,
	"chart_id" uuid NOT NULL,
	"picture_id" uuid NOT NULL,
	"page" smallint NOT NULL,
	"result" jsonb NOT NULL,
	"decisions" jsonb NOT NULL,
	"stored" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "trials" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"studio_id" uuid NOT NULL,
	"paper_id" uuid NOT NULL,
	"stack" text[] NOT NULL,
	"predicted" double precision[] NOT NULL,
	"verdict" text DEFAULT 'open' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "kind" text DEFAULT 'marker' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "wished" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "refills" smallint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "nib" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "price" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "place" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "notes" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "proof" boolean;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "weight" integer;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "open_time" integer;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "bleed" double precision;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "finish" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "side" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "grain" double precision;--> statement-breakpoint
ALTER TABLE "papers" ADD COLUMN "notes" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "ranges" ADD COLUMN "key" jsonb;--> statement-breakpoint
ALTER TABLE "ranges" ADD COLUMN "homes" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "charts" ADD CONSTRAINT "charts_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "charts" ADD CONSTRAINT "charts_paper_id_papers_id_fk" FOREIGN KEY ("paper_id") REFERENCES "public"."papers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_paper_id_papers_id_fk" FOREIGN KEY ("paper_id") REFERENCES "public"."papers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_scan_id_scans_id_fk" FOREIGN KEY ("scan_id") REFERENCES "public"."scans"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scans" ADD CONSTRAINT "scans_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scans" ADD CONSTRAINT "scans_chart_id_charts_id_fk" FOREIGN KEY ("chart_id") REFERENCES "public"."charts"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scans" ADD CONSTRAINT "scans_picture_id_pictures_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."pictures"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_paper_id_papers_id_fk" FOREIGN KEY ("paper_id") REFERENCES "public"."papers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "charts_by_serial" ON "charts" USING btree ("studio_id","serial");--> statement-breakpoint
CREATE INDEX "readings_by_paper" ON "readings" USING btree ("studio_id","paper_id","read_at");--> statement-breakpoint
CREATE INDEX "scans_by_studio" ON "scans" USING btree ("studio_id","created_at");--> statement-breakpoint
CREATE INDEX "trials_by_paper" ON "trials" USING btree ("studio_id","paper_id");--> statement-breakpoint
INSERT INTO "readings" ("studio_id", "paper_id", "stack", "lab", "hex", "source", "read_at")
SELECT s."studio_id", s."paper_id", array_fill(i."code", ARRAY[s."coats"::int]), s."lab", s."hex", 'scan', s."created_at"
FROM "swatches" s JOIN "inks" i ON i."id" = s."ink_id";
