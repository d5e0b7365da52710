CREATE TABLE "colourings" (
	"studio_id" uuid NOT NULL,
	"piece_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"line_id" uuid NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"webp" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "piece_uses" (
	"studio_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"code" text NOT NULL,
	"area" text NOT NULL,
	"area_id" text NOT NULL,
	"medium" text NOT NULL,
	"coats" double precision NOT NULL
);
--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "name" text GENERATED ALWAYS AS (document ->> 'name') STORED;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "paper_id" text GENERATED ALWAYS AS (document ->> 'paperId') STORED;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "areas" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "planned" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "listed" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "done_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "colourings" ADD CONSTRAINT "colourings_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "colourings" ADD CONSTRAINT "colourings_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_uses" ADD CONSTRAINT "piece_uses_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_uses" ADD CONSTRAINT "piece_uses_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "colourings_by_studio" ON "colourings" USING btree ("studio_id");--> statement-breakpoint
CREATE INDEX "piece_uses_by_code" ON "piece_uses" USING btree ("studio_id","code");--> statement-breakpoint
CREATE INDEX "piece_uses_by_piece" ON "piece_uses" USING btree ("piece_id");