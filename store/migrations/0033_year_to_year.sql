-- What stays from year to year: days that stand every year, notes for next year, and what is counted over a month.
ALTER TABLE "day" ADD COLUMN "every_year" boolean DEFAULT false NOT NULL;
--> statement-breakpoint
ALTER TABLE "day" ADD COLUMN "next_year" text DEFAULT '' NOT NULL;
--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "next_year" text DEFAULT '' NOT NULL;
--> statement-breakpoint
CREATE TABLE "tally" (
	"id" uuid PRIMARY KEY NOT NULL,
	"album_id" uuid NOT NULL,
	"name" text NOT NULL,
	"place" integer NOT NULL,
	CONSTRAINT "tally_of_album" UNIQUE("id","album_id")
);
--> statement-breakpoint
CREATE TABLE "tally_mark" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tally_id" uuid NOT NULL,
	"album_id" uuid NOT NULL,
	"date" date NOT NULL,
	"text" text DEFAULT '' NOT NULL,
	"place" integer NOT NULL,
	"written_by" uuid
);
--> statement-breakpoint
ALTER TABLE "tally" ADD CONSTRAINT "tally_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "tally_mark" ADD CONSTRAINT "tally_mark_written_by_member_id_fk" FOREIGN KEY ("written_by") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "tally_mark" ADD CONSTRAINT "tally_mark_tally" FOREIGN KEY ("tally_id","album_id") REFERENCES "public"."tally"("id","album_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "tally_album" ON "tally" USING btree ("album_id");
--> statement-breakpoint
CREATE INDEX "tally_mark_of" ON "tally_mark" USING btree ("tally_id");
--> statement-breakpoint
CREATE TRIGGER tally_inserted AFTER INSERT ON tally REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_updated AFTER UPDATE ON tally REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_deleted AFTER DELETE ON tally REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_mark_inserted AFTER INSERT ON tally_mark REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_mark_updated AFTER UPDATE ON tally_mark REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_mark_deleted AFTER DELETE ON tally_mark REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER tally_journal AFTER INSERT OR UPDATE OR DELETE ON tally FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER tally_mark_journal AFTER INSERT OR UPDATE OR DELETE ON tally_mark FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
