-- A part of a sheet in the drawer that stays whole when the sheet is cut.
ALTER TABLE "thing" ADD COLUMN "motif" jsonb;--> statement-breakpoint
ALTER TABLE "thing" ADD CONSTRAINT "thing_motif" CHECK ("thing"."motif" is null or "thing"."w" is not null);
