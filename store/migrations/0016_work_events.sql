CREATE TABLE "work_events" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"undoes" uuid,
	"picture_id" uuid,
	"body" jsonb NOT NULL,
	CONSTRAINT "work_events_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "work_events" ADD CONSTRAINT "work_events_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work_events" ADD CONSTRAINT "work_events_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work_events" ADD CONSTRAINT "work_events_picture_id_pictures_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."pictures"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "work_events_by_piece" ON "work_events" USING btree ("studio_id","piece_id","at");