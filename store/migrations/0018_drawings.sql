CREATE TABLE "drawings" (
	"studio_id" uuid NOT NULL,
	"picture_id" uuid NOT NULL,
	"name" text NOT NULL,
	"packed" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "drawings_picture_id_name_pk" PRIMARY KEY("picture_id","name")
);
--> statement-breakpoint
ALTER TABLE "drawings" ADD CONSTRAINT "drawings_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drawings" ADD CONSTRAINT "drawings_picture_id_pictures_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."pictures"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "drawings_by_studio" ON "drawings" USING btree ("studio_id");