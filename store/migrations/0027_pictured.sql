-- A picture of something in the drawer.
ALTER TABLE "thing" ADD COLUMN "photo_id" uuid;--> statement-breakpoint
ALTER TABLE "thing" ADD CONSTRAINT "thing_photo_id_photo_id_fk" FOREIGN KEY ("photo_id") REFERENCES "public"."photo"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "thing_pictured" ON "thing" USING btree ("photo_id");
