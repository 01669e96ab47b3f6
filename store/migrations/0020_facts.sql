-- What the program knows to be done ticks its step by itself; a keeper may say that it is not.
ALTER TABLE "day" ADD COLUMN "undone" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
-- A whole day or one picture of it may be private, as cards and jottings may.
ALTER TABLE "day" ADD COLUMN "private_until" date;--> statement-breakpoint
ALTER TABLE "day_photo" ADD COLUMN "private_until" date;--> statement-breakpoint
-- What somebody wrote into a picture itself is offered as a jotting of its day.
ALTER TABLE "photo" ADD COLUMN "own_words" text DEFAULT '' NOT NULL;--> statement-breakpoint
-- Words, labels and shapes that are printed on a picture.
ALTER TABLE "day_photo" ADD COLUMN "on_it" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
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
) AS of WHERE of.id = journal_row.id;
