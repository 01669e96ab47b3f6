-- A book in several volumes, what is seen through a leaf and stays, and the closed book measured with a ruler.
ALTER TABLE "leaf" ADD COLUMN "opens_volume" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "left_seen" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "ruler" jsonb DEFAULT '[]'::jsonb NOT NULL;
