CREATE TABLE "sheet_scores" (
	"id" uuid NOT NULL,
	"studio_id" uuid NOT NULL,
	"person_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"exercise" text NOT NULL,
	"score" smallint NOT NULL,
	"codes" text[] NOT NULL,
	CONSTRAINT "sheet_scores_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "sheet_scores" ADD CONSTRAINT "sheet_scores_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sheet_scores" ADD CONSTRAINT "sheet_scores_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sheet_scores_by_person" ON "sheet_scores" USING btree ("studio_id","person_id","at");