-- What the program knows to be done ticks its step by itself; a keeper may say that it is not.
ALTER TABLE "day" ADD COLUMN "undone" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
-- A whole day or one picture of it may be private, as cards and jottings may.
ALTER TABLE "day" ADD COLUMN "private_until" date;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "private_until" date;--> statement-breakpoint
-- What somebody wrote into a picture itself is offered as a jotting of its day.
ALTER TABLE "photo" ADD COLUMN "own_words" text DEFAULT '' NOT NULL;--> statement-breakpoint
-- Words, labels and shapes that are printed on a picture.
ALTER TABLE "day_photo" ADD COLUMN "on_it" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
-- A picture that is a pattern is repeated over its print.
ALTER TABLE "day_photo" ADD COLUMN "repeat_w" integer;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "repeat_h" integer;--> statement-breakpoint
-- Whoever wrote a jotting, where several write in one album.
ALTER TABLE "jotting" ADD COLUMN "written_by" uuid;--> statement-breakpoint
ALTER TABLE "jotting" ADD CONSTRAINT "jotting_written_by_member_id_fk" FOREIGN KEY ("written_by") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
-- Slips in the words that a keeper is content with are told no more.
ALTER TABLE "day" ADD COLUMN "left_alone" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
-- A print says of which picture it was made, since a use may come to be of another; in the journal too, so that a print
-- that comes back is known again.
UPDATE print SET made_as = photo.id || ' ' || photo.width || 'x' || photo.height || ' ' || made_as
FROM day_photo JOIN photo ON photo.id = day_photo.photo_id WHERE day_photo.id = print.use_id;--> statement-breakpoint
UPDATE journal_row SET
  "before" = CASE WHEN "before" ? 'made_as' THEN jsonb_set("before", '{made_as}', to_jsonb(of.picture || ("before" ->> 'made_as'))) ELSE "before" END,
  "after" = CASE WHEN "after" ? 'made_as' THEN jsonb_set("after", '{made_as}', to_jsonb(of.picture || ("after" ->> 'made_as'))) ELSE "after" END
FROM (
  SELECT row.id, photo.id || ' ' || photo.width || 'x' || photo.height || ' ' AS picture
  FROM journal_row AS row
  JOIN day_photo ON day_photo.id = coalesce(row."before" ->> 'use_id', row."after" ->> 'use_id')::uuid
  JOIN photo ON photo.id = day_photo.photo_id
  WHERE row."of" = 'print'
) AS of WHERE of.id = journal_row.id;--> statement-breakpoint
-- A household may have several printers, each with what it does to a sheet with a white edge and without, and with what was
-- chosen on it last. The one there was keeps its measures, and the sheets there are were made for it.
ALTER TABLE "printer" DROP CONSTRAINT "printer_pkey";--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL;--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "name" text DEFAULT 'The printer' NOT NULL;--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "borderless_across" integer;--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "borderless_along" integer;--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "last" jsonb;--> statement-breakpoint
ALTER TABLE "printer" ADD COLUMN "used_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
CREATE INDEX "printer_household" ON "printer" USING btree ("household_id");--> statement-breakpoint
ALTER TABLE "print_sheet" ADD COLUMN "printer_id" uuid;--> statement-breakpoint
ALTER TABLE "print_sheet" ADD COLUMN "borderless" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "print_sheet" ADD CONSTRAINT "print_sheet_printer_id_printer_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printer"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
UPDATE print_sheet SET printer_id = printer.id FROM album JOIN printer ON printer.household_id = album.household_id
WHERE album.id = print_sheet.album_id;--> statement-breakpoint
DROP TRIGGER printer_journal ON printer;--> statement-breakpoint
CREATE TRIGGER printer_journal AFTER INSERT OR UPDATE OR DELETE ON printer FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'last,used_at');--> statement-breakpoint
UPDATE journal_row SET "key" = jsonb_build_object('id', printer.id),
  "before" = "before" || jsonb_build_object('id', printer.id, 'name', printer.name, 'borderless_across', null, 'borderless_along', null),
  "after" = "after" || jsonb_build_object('id', printer.id, 'name', printer.name, 'borderless_across', null, 'borderless_along', null)
FROM printer WHERE journal_row."of" = 'printer' AND (journal_row."key" ->> 'household_id')::uuid = printer.household_id;
--> statement-breakpoint
-- A card with its own print is shown with it: a picture of it, and where its corners lie there.
ALTER TABLE "card" ADD COLUMN "preprint_photo" uuid;--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "preprint_corners" jsonb;--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_preprint_photo_photo_id_fk" FOREIGN KEY ("preprint_photo") REFERENCES "public"."photo"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_preprint" CHECK (("preprint_photo" IS NULL) = ("preprint_corners" IS NULL));--> statement-breakpoint
CREATE INDEX "card_preprint_photo" ON "card" USING btree ("preprint_photo") WHERE "preprint_photo" IS NOT NULL;--> statement-breakpoint
-- Several pictures may share one print: how, and which the others are. A picture lies on a day wherever it lies in a print.
ALTER TABLE "day_photo" ADD COLUMN "together" jsonb;--> statement-breakpoint
CREATE INDEX "day_photo_together" ON "day_photo" USING btree ("day_id") WHERE "together" IS NOT NULL;--> statement-breakpoint
CREATE VIEW "picture_on_day" AS
  SELECT id AS use_id, day_id, photo_id, deleted_at FROM day_photo
  UNION ALL
  SELECT use.id, use.day_id, (other ->> 'photoId')::uuid, use.deleted_at
  FROM day_photo AS use CROSS JOIN LATERAL jsonb_array_elements(use.together -> 'others') AS other
  WHERE use.together IS NOT NULL
  UNION ALL
  SELECT id, day_id, preprint_photo, deleted_at FROM card WHERE preprint_photo IS NOT NULL;--> statement-breakpoint
CREATE OR REPLACE FUNCTION touch_albums_of_photo() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE touched uuid[];
BEGIN
  SELECT array_agg(DISTINCT d.album_id) INTO touched
    FROM picture_on_day u JOIN day d ON d.id = u.day_id JOIN changed c ON c.id = u.photo_id WHERE u.deleted_at IS NULL;
  PERFORM 1 FROM album WHERE id = ANY (touched) ORDER BY id FOR NO KEY UPDATE;
  UPDATE album SET revision = revision WHERE id = ANY (touched);
  RETURN NULL;
END $$;--> statement-breakpoint
CREATE OR REPLACE FUNCTION touch_albums_of_trait() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE touched uuid[];
BEGIN
  SELECT array_agg(DISTINCT d.album_id) INTO touched
    FROM picture_on_day u JOIN day d ON d.id = u.day_id JOIN photo p ON p.id = u.photo_id JOIN changed c ON c.sha256 = p.sha256
    WHERE u.deleted_at IS NULL;
  PERFORM 1 FROM album WHERE id = ANY (touched) ORDER BY id FOR NO KEY UPDATE;
  UPDATE album SET revision = revision WHERE id = ANY (touched);
  RETURN NULL;
END $$;
--> statement-breakpoint
-- A lab is kept as a printer is: with its papers, how many days it takes, and what it makes of a file.
ALTER TABLE "printer" ADD COLUMN "lab" jsonb;--> statement-breakpoint
ALTER TABLE "lab_order" ADD COLUMN "lab_id" uuid;--> statement-breakpoint
ALTER TABLE "lab_order" ADD CONSTRAINT "lab_order_lab_id_printer_id_fk" FOREIGN KEY ("lab_id") REFERENCES "public"."printer"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
-- A print that comes on a larger paper of the lab's is cut out here.
ALTER TABLE "print" ADD COLUMN "paper_w" integer;--> statement-breakpoint
ALTER TABLE "print" ADD COLUMN "paper_h" integer;
--> statement-breakpoint
-- Whoever wrote the words of a card, where several write in one album.
ALTER TABLE "card" ADD COLUMN "written_by" uuid;--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_written_by_member_id_fk" FOREIGN KEY ("written_by") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;
