CREATE TABLE "jotting" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"day_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"deleted_at" timestamp with time zone,
	"text" text NOT NULL,
	"at" text NOT NULL,
	"private_until" date
);
--> statement-breakpoint
CREATE TABLE "deck" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"jar" text NOT NULL,
	"slips" jsonb NOT NULL,
	CONSTRAINT "deck_name_once" UNIQUE("household_id","name")
);
--> statement-breakpoint
CREATE TABLE "hand" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"em" integer NOT NULL,
	"line" integer NOT NULL,
	CONSTRAINT "hand_name_once" UNIQUE("household_id","name")
);
--> statement-breakpoint
CREATE TABLE "stamp_set" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"measures" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "print" ALTER COLUMN "use_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "back" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "setting" jsonb;--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "hidden" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "card" ADD COLUMN "private_until" date;--> statement-breakpoint
ALTER TABLE "day" ADD COLUMN "technique_text" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "day" ADD COLUMN "technique_slip" text;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "people" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "print" ADD COLUMN "card_id" uuid;--> statement-breakpoint
ALTER TABLE "print_sheet" ADD COLUMN "of" text DEFAULT 'photos' NOT NULL;--> statement-breakpoint
ALTER TABLE "jotting" ADD CONSTRAINT "jotting_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deck" ADD CONSTRAINT "deck_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand" ADD CONSTRAINT "hand_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stamp_set" ADD CONSTRAINT "stamp_set_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "jotting_day" ON "jotting" USING btree ("day_id");--> statement-breakpoint
CREATE INDEX "stamp_set_household" ON "stamp_set" USING btree ("household_id");--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_card_id_card_id_fk" FOREIGN KEY ("card_id") REFERENCES "public"."card"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "print_card" ON "print" USING btree ("card_id");--> statement-breakpoint
ALTER TABLE "print" ADD CONSTRAINT "print_of_one" CHECK (("print"."use_id" is null) <> ("print"."card_id" is null));