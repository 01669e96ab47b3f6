-- Every change to an album, or to one of its days, counts its revision up. A day's pieces need no trigger of their own:
-- each save of a piece also writes its day.
CREATE FUNCTION count_album_revision() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.revision := OLD.revision + 1;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER album_revision BEFORE UPDATE ON album FOR EACH ROW EXECUTE FUNCTION count_album_revision();
--> statement-breakpoint
CREATE FUNCTION touch_album_of_day() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE album SET revision = revision WHERE id IN (SELECT DISTINCT album_id FROM changed);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER day_inserted AFTER INSERT ON day REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER day_updated AFTER UPDATE ON day REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
