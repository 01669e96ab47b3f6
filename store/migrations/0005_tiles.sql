ALTER TABLE "print" ADD COLUMN "tile" jsonb;--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_tile_of_picture" CHECK ("print"."tile" is null or "print"."use_id" is not null);