-- What of an album's first evening need not be offered any more. Albums that there are were begun long ago.
ALTER TABLE "album" ADD COLUMN "first_settled" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE "album" SET "first_settled" = '{measure,pages,pictures,prompts}';
