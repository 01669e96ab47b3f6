-- Links by which an album is looked at from outside the household.
CREATE TABLE "share" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"album_id" uuid NOT NULL,
	"name" text NOT NULL,
	"goes" jsonb NOT NULL,
	"ends_on" date,
	"secret_hash" text,
	"since" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "share_secret_hash_unique" UNIQUE("secret_hash")
);
--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "share_album" ON "share" USING btree ("album_id");
