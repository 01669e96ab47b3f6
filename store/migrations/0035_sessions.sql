-- Where somebody is signed in: since when, when it was used last, and on what; each with a name to end it by.
ALTER TABLE "session" ADD COLUMN "id" uuid DEFAULT gen_random_uuid() NOT NULL;
--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "started_at" timestamp with time zone DEFAULT now() NOT NULL;
--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "seen_at" timestamp with time zone DEFAULT now() NOT NULL;
--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "device" text;
--> statement-breakpoint
CREATE INDEX "session_member" ON "session" USING btree ("member_id");
