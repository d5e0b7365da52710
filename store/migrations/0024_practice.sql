CREATE TABLE "eye_answers" (
	"id" uuid NOT NULL,
	"studio_id" uuid NOT NULL,
	"person_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"family" text NOT NULL,
	"right" boolean NOT NULL,
	"seconds" double precision NOT NULL,
	"level" double precision NOT NULL,
	CONSTRAINT "eye_answers_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "eye_answers" ADD CONSTRAINT "eye_answers_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "eye_answers" ADD CONSTRAINT "eye_answers_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "eye_answers_by_person" ON "eye_answers" USING btree ("studio_id","person_id","at");