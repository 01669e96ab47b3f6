CREATE TABLE "done_act" (
	"id" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"answer" jsonb,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "done_act_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "known_device" (
	"token_hash" text NOT NULL,
	"member_id" uuid NOT NULL,
	"seen_at" timestamp with time zone NOT NULL,
	CONSTRAINT "known_device_token_hash_member_id_pk" PRIMARY KEY("token_hash","member_id")
);
--> statement-breakpoint
CREATE TABLE "try_count" (
	"key" varchar(255) PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
CREATE TABLE "work" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"member_id" uuid,
	"kind" text NOT NULL,
	"asked" jsonb NOT NULL,
	"state" text NOT NULL,
	"done" bigint DEFAULT 0 NOT NULL,
	"whole" bigint DEFAULT 0 NOT NULL,
	"outcome" jsonb,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL,
	"claimed_by" text,
	"beat_at" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "work_state" CHECK ("work"."state" in ('gathering', 'waiting', 'running', 'done', 'refused', 'failed', 'cancelled')),
	CONSTRAINT "work_kind" CHECK ("work"."kind" in ('read-archive', 'write-archive')),
	CONSTRAINT "work_claimed" CHECK (("work"."state" = 'running') = ("work"."claimed_by" is not null))
);
--> statement-breakpoint
CREATE TABLE "work_part" (
	"work_id" uuid NOT NULL,
	"place" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "work_part_work_id_place_pk" PRIMARY KEY("work_id","place"),
	CONSTRAINT "work_part_place" CHECK ("work_part"."place" >= 0)
);
--> statement-breakpoint
ALTER TABLE "done_act" ADD CONSTRAINT "done_act_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "known_device" ADD CONSTRAINT "known_device_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work_part" ADD CONSTRAINT "work_part_work_id_work_id_fk" FOREIGN KEY ("work_id") REFERENCES "public"."work"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "done_act_at" ON "done_act" USING btree ("at");--> statement-breakpoint
CREATE INDEX "work_waiting" ON "work" USING btree ("state","asked_at");--> statement-breakpoint
CREATE INDEX "work_of_household" ON "work" USING btree ("household_id");--> statement-breakpoint
-- Said twice before it could only be said once: the later row goes.
DELETE FROM "print" a USING "print" b WHERE a.sheet_id IS NULL AND a.order_id IS NULL AND b.sheet_id IS NULL AND b.order_id IS NULL AND (a.use_id = b.use_id OR a.card_id = b.card_id) AND a.id > b.id;--> statement-breakpoint
CREATE UNIQUE INDEX "print_use_elsewhere_once" ON "print" USING btree ("use_id") WHERE "print"."sheet_id" is null and "print"."order_id" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "print_card_elsewhere_once" ON "print" USING btree ("card_id") WHERE "print"."sheet_id" is null and "print"."order_id" is null;--> statement-breakpoint
-- Parts of files are packed already: kept as they are, outside their row.
ALTER TABLE "work_part" ALTER COLUMN "bytes" SET STORAGE EXTERNAL;
--> statement-breakpoint
-- Several albums touched by one statement are locked in the order of their ids, as every writer of several locks them.
CREATE OR REPLACE FUNCTION touch_album_of_day() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM 1 FROM album WHERE id IN (SELECT DISTINCT album_id FROM changed) ORDER BY id FOR NO KEY UPDATE;
  UPDATE album SET revision = revision WHERE id IN (SELECT DISTINCT album_id FROM changed);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION touch_albums_of_photo() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  touched uuid[];
BEGIN
  SELECT array_agg(DISTINCT d.album_id) INTO touched
    FROM day_photo u JOIN day d ON d.id = u.day_id JOIN changed c ON c.id = u.photo_id WHERE u.deleted_at IS NULL;
  PERFORM 1 FROM album WHERE id = ANY (touched) ORDER BY id FOR NO KEY UPDATE;
  UPDATE album SET revision = revision WHERE id = ANY (touched);
  RETURN NULL;
END $$;
--> statement-breakpoint
-- What is found out about a picture after it came in changes every album that uses it, in whichever household.
CREATE FUNCTION touch_albums_of_trait() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  touched uuid[];
BEGIN
  SELECT array_agg(DISTINCT d.album_id) INTO touched
    FROM day_photo u JOIN day d ON d.id = u.day_id JOIN photo p ON p.id = u.photo_id JOIN changed c ON c.sha256 = p.sha256
    WHERE u.deleted_at IS NULL;
  PERFORM 1 FROM album WHERE id = ANY (touched) ORDER BY id FOR NO KEY UPDATE;
  UPDATE album SET revision = revision WHERE id = ANY (touched);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER picture_trait_inserted AFTER INSERT ON picture_trait REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_albums_of_trait();
