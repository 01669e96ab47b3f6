-- What each member may do; one who left keeps the name under which they wrote, and nothing to sign in with.
ALTER TABLE "member" ADD COLUMN "role" text DEFAULT 'keeper' NOT NULL;
--> statement-breakpoint
ALTER TABLE "member" ADD COLUMN "left_at" timestamp with time zone;
--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_role" CHECK ("member"."role" in ('keeper', 'helper', 'looker'));
--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_left_has_no_door" CHECK ("member"."left_at" is null or "member"."mail" is null);
--> statement-breakpoint
-- A household that was said to go goes then, with all it holds.
ALTER TABLE "household" ADD COLUMN "goes_at" timestamp with time zone;
--> statement-breakpoint
CREATE TABLE "invitation" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"role" text NOT NULL,
	"name" text NOT NULL,
	"secret_hash" text NOT NULL,
	"made_by" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "invitation_secret_hash_unique" UNIQUE("secret_hash"),
	CONSTRAINT "invitation_role" CHECK ("invitation"."role" in ('keeper', 'helper', 'looker'))
);
--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_made_by_member_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "invitation_household" ON "invitation" USING btree ("household_id");
