CREATE TABLE "desk_fits" (
	"studio_id" uuid NOT NULL,
	"name" text NOT NULL,
	"fit" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "desk_fits_studio_id_name_pk" PRIMARY KEY("studio_id","name")
);
--> statement-breakpoint
ALTER TABLE "desk_fits" ADD CONSTRAINT "desk_fits_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;