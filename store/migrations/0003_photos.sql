CREATE TABLE "picture_trait" (
	"sha256" text PRIMARY KEY NOT NULL,
	"fingerprint" text NOT NULL,
	"sharpness" double precision NOT NULL,
	"focus_x" integer NOT NULL,
	"focus_y" integer NOT NULL,
	"detail" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "lab_order" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"album_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"ordered_on" date NOT NULL,
	"due_on" date NOT NULL,
	"arrived_at" timestamp with time zone,
	CONSTRAINT "lab_order_number" UNIQUE("album_id","number"),
	CONSTRAINT "lab_order_of_album" UNIQUE("id","album_id"),
	CONSTRAINT "lab_order_dates" CHECK ("lab_order"."due_on" >= "lab_order"."ordered_on")
);
--> statement-breakpoint
CREATE TABLE "print" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"album_id" uuid NOT NULL,
	"sheet_id" uuid,
	"order_id" uuid,
	"place" integer NOT NULL,
	"use_id" uuid NOT NULL,
	"x" integer NOT NULL,
	"y" integer NOT NULL,
	"w" integer NOT NULL,
	"h" integer NOT NULL,
	"turned" boolean NOT NULL,
	"spare" boolean NOT NULL,
	"made_as" text NOT NULL,
	"state" text NOT NULL,
	CONSTRAINT "print_place_on_sheet" UNIQUE("sheet_id","place"),
	CONSTRAINT "print_place_in_order" UNIQUE("order_id","place"),
	CONSTRAINT "print_size" CHECK ("print"."w" > 0 and "print"."h" > 0),
	CONSTRAINT "print_from_one" CHECK ("print"."sheet_id" is null or "print"."order_id" is null),
	CONSTRAINT "print_state" CHECK ("print"."state" in ('made', 'printed', 'trimmed', 'spoiled'))
);
--> statement-breakpoint
CREATE TABLE "print_sheet" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"album_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"paper_w" integer NOT NULL,
	"paper_h" integer NOT NULL,
	"cuts" jsonb NOT NULL,
	"waste" jsonb NOT NULL,
	"cuts_done" integer[] DEFAULT '{}' NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"printed_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "print_sheet_number" UNIQUE("album_id","number"),
	CONSTRAINT "print_sheet_of_album" UNIQUE("id","album_id"),
	CONSTRAINT "print_sheet_paper" CHECK ("print_sheet"."paper_w" > 0 and "print_sheet"."paper_h" > 0)
);
--> statement-breakpoint
CREATE TABLE "printer" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"margin" integer NOT NULL,
	"across" integer NOT NULL,
	"along" integer NOT NULL,
	"bar" integer NOT NULL,
	CONSTRAINT "printer_sizes" CHECK ("printer"."margin" >= 0 and least("printer"."across", "printer"."along", "printer"."bar") > 0)
);
--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "photo_rule" text DEFAULT 'banked' NOT NULL;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "keep_x" integer;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "keep_y" integer;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "slide_x" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "slide_y" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "closer" integer DEFAULT 100 NOT NULL;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "border" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "given_date" date;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "star" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "rejected" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "banked" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "look" jsonb DEFAULT '{"blackAndWhite":false,"straighten":0,"light":0,"contrast":0}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "picture_trait" ADD CONSTRAINT "picture_trait_sha256_picture_sha256_fk" FOREIGN KEY ("sha256") REFERENCES "public"."picture"("sha256") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lab_order" ADD CONSTRAINT "lab_order_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_use_id_day_photo_id_fk" FOREIGN KEY ("use_id") REFERENCES "public"."day_photo"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_sheet_same_album" FOREIGN KEY ("sheet_id","album_id") REFERENCES "public"."print_sheet"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_order_same_album" FOREIGN KEY ("order_id","album_id") REFERENCES "public"."lab_order"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print_sheet" ADD CONSTRAINT "print_sheet_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "printer" ADD CONSTRAINT "printer_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "print_of_album" ON "print" USING btree ("album_id");--> statement-breakpoint
CREATE INDEX "print_use" ON "print" USING btree ("use_id");--> statement-breakpoint
CREATE INDEX "photo_of_household" ON "photo" USING btree ("household_id","captured_at");--> statement-breakpoint
ALTER TABLE "day_photo" ADD CONSTRAINT "day_photo_keep" CHECK (("day_photo"."keep_x" is null) = ("day_photo"."keep_y" is null));--> statement-breakpoint
ALTER TABLE "day_photo" ADD CONSTRAINT "day_photo_closer" CHECK ("day_photo"."closer" between 100 and 400 and "day_photo"."border" >= 0);--> statement-breakpoint
-- A sheet, an order or a print that is made, changed or dropped counts its album's revision up, as a day's change does.
CREATE TRIGGER print_inserted AFTER INSERT ON print REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER print_updated AFTER UPDATE ON print REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER print_deleted AFTER DELETE ON print REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
-- So does a change to a picture of the roll, in every album that uses it.
CREATE FUNCTION touch_albums_of_photo() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE album SET revision = revision WHERE id IN (
    SELECT d.album_id FROM day_photo u JOIN day d ON d.id = u.day_id JOIN changed c ON c.id = u.photo_id WHERE u.deleted_at IS NULL
  );
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER photo_updated AFTER UPDATE ON photo REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_albums_of_photo();
