-- What is known ahead of an album's days, read from calendars or said here.
CREATE TABLE "known_event" (
	"album_id" uuid NOT NULL,
	"key" text NOT NULL,
	"source" text NOT NULL,
	"title" text NOT NULL,
	"from_date" date NOT NULL,
	"to_date" date NOT NULL,
	"starts" text,
	"ends" text,
	"on_page" boolean DEFAULT false NOT NULL,
	CONSTRAINT "known_event_album_id_key_pk" PRIMARY KEY("album_id","key"),
	CONSTRAINT "known_event_ends_after" CHECK ("known_event"."to_date" >= "known_event"."from_date")
);
--> statement-breakpoint
ALTER TABLE "known_event" ADD CONSTRAINT "known_event_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE TRIGGER known_event_inserted AFTER INSERT ON known_event REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER known_event_updated AFTER UPDATE ON known_event REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER known_event_deleted AFTER DELETE ON known_event REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER known_event_journal AFTER INSERT OR UPDATE OR DELETE ON known_event FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('album_id,key', '');
--> statement-breakpoint
-- What a month calendar page has in its squares; null: as usual, where nothing lies on it.
ALTER TABLE "day" ADD COLUMN "month_page" jsonb;--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_month_page" CHECK ("day"."month_page" is null or "day"."matter" is not distinct from 'month-calendar');
--> statement-breakpoint
-- A private address that a calendar fetches an album's days and a person's evenings from.
CREATE TABLE "feed" (
	"album_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"secret_hash" text NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "feed_album_id_member_id_pk" PRIMARY KEY("album_id","member_id"),
	CONSTRAINT "feed_secret_hash_unique" UNIQUE("secret_hash")
);
--> statement-breakpoint
ALTER TABLE "feed" ADD CONSTRAINT "feed_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feed" ADD CONSTRAINT "feed_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;
