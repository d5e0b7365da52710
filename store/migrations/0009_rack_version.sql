-- Whatever changes the rack or a reading, the studio's version grows: racks that were sent before are out of date. No query can forget it.
CREATE FUNCTION rack_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE studios SET rack_version = rack_version + 1 WHERE id IN (SELECT DISTINCT studio_id FROM changed);
  RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['papers', 'ranges', 'inks', 'readings', 'blends'] LOOP
    EXECUTE format('CREATE TRIGGER rack_added AFTER INSERT ON %I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION rack_changed()', t);
    EXECUTE format('CREATE TRIGGER rack_altered AFTER UPDATE ON %I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION rack_changed()', t);
    EXECUTE format('CREATE TRIGGER rack_removed AFTER DELETE ON %I REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION rack_changed()', t);
  END LOOP;
END $$;
