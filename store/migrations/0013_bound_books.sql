ALTER TABLE "album" ADD COLUMN "leaf_count" integer;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "sewn" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ADD CONSTRAINT "album_leaf_count" CHECK ("album"."leaf_count" between 1 and 200);