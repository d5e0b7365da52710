CREATE TABLE "ink_events" (
	"id" uuid NOT NULL,
	"studio_id" uuid NOT NULL,
	"code" text NOT NULL,
	"kind" text NOT NULL,
	"amount" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "ink_events_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "inks" ADD COLUMN "state_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "ink_events" ADD CONSTRAINT "ink_events_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "ink_events_by_code" ON "ink_events" USING btree ("studio_id","code","at");--> statement-breakpoint
CREATE FUNCTION ink_state_said() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.state_at = OLD.state_at THEN NEW.state_at := now(); END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER ink_state_said BEFORE UPDATE ON "inks" FOR EACH ROW WHEN (NEW.state IS DISTINCT FROM OLD.state) EXECUTE FUNCTION ink_state_said();
