-- Where the household lives on the globe, for the sun alone.
ALTER TABLE "household" ADD COLUMN "latitude" double precision;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "longitude" double precision;--> statement-breakpoint
ALTER TABLE "household" ADD CONSTRAINT "household_on_globe" CHECK (("household"."latitude" is null) = ("household"."longitude" is null) and "household"."latitude" between -90 and 90 and "household"."longitude" between -180 and 180);--> statement-breakpoint
-- When a person has time, and what they say that steps take them.
CREATE TABLE "hours" (
	"member_id" uuid PRIMARY KEY NOT NULL,
	"said" jsonb NOT NULL,
	"minutes" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"forgotten_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "hours_version" CHECK ("hours"."version" > 0)
);
--> statement-breakpoint
-- From when to when somebody worked, and what was ticked in it.
CREATE TABLE "sitting" (
	"id" uuid PRIMARY KEY NOT NULL,
	"member_id" uuid NOT NULL,
	"album_id" uuid NOT NULL,
	"date" date NOT NULL,
	"began_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"steps" text[] DEFAULT '{}' NOT NULL,
	CONSTRAINT "sitting_ends_after" CHECK ("sitting"."ended_at" is null or "sitting"."ended_at" >= "sitting"."began_at")
);
--> statement-breakpoint
ALTER TABLE "hours" ADD CONSTRAINT "hours_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sitting" ADD CONSTRAINT "sitting_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sitting" ADD CONSTRAINT "sitting_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sitting_of_member" ON "sitting" USING btree ("member_id","date");--> statement-breakpoint
CREATE INDEX "sitting_album" ON "sitting" USING btree ("album_id");--> statement-breakpoint
CREATE UNIQUE INDEX "sitting_under_way" ON "sitting" USING btree ("member_id") WHERE "sitting"."ended_at" is null;--> statement-breakpoint
-- Ways to catch up that were answered with "no".
CREATE TABLE "declined_offer" (
	"album_id" uuid NOT NULL,
	"offer" text NOT NULL,
	CONSTRAINT "declined_offer_album_id_offer_pk" PRIMARY KEY("album_id","offer")
);
--> statement-breakpoint
ALTER TABLE "declined_offer" ADD CONSTRAINT "declined_offer_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE TRIGGER declined_offer_journal AFTER INSERT OR UPDATE OR DELETE ON declined_offer FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('album_id,offer', '');
--> statement-breakpoint
CREATE TRIGGER hours_journal AFTER INSERT OR UPDATE OR DELETE ON hours FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('member_id', 'version');
