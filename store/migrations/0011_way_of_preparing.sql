ALTER TABLE "album" ADD COLUMN "preparing" text DEFAULT 'parts' NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "pattern" jsonb;