-- A book in several volumes, and the closed book measured with a ruler.
ALTER TABLE "leaf" ADD COLUMN "opens_volume" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "ruler" jsonb DEFAULT '[]'::jsonb NOT NULL;
