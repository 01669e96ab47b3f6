ALTER TABLE "deck" DROP CONSTRAINT "deck_name_once";--> statement-breakpoint
ALTER TABLE "hand" DROP CONSTRAINT "hand_name_once";--> statement-breakpoint
ALTER TABLE "measured_format" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "pocket_layout" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "template" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "deck" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "hand" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "stamp_set" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
CREATE UNIQUE INDEX "deck_name_once" ON "deck" USING btree ("household_id","name") WHERE "deck"."deleted_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "hand_name_once" ON "hand" USING btree ("household_id","name") WHERE "hand"."deleted_at" is null;