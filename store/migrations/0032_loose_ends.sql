-- Who is on a picture; what is said of loose ends; and the keeper's line under an opening, on the side that is up in it.
ALTER TABLE "photo" ADD COLUMN "people" text[];
--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "loose_ends" jsonb DEFAULT '[]'::jsonb NOT NULL;
--> statement-breakpoint
ALTER TABLE "side" ADD COLUMN "line" text DEFAULT '' NOT NULL;
