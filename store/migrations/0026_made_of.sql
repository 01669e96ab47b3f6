-- What the base of a leaf is made of, and since when something lies in the drawer.
ALTER TABLE "leaf" ADD COLUMN "made_of" jsonb;--> statement-breakpoint
ALTER TABLE "thing" ADD COLUMN "added_at" timestamp with time zone DEFAULT now() NOT NULL;
