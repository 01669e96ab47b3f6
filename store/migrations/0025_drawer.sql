-- What is in a household's drawer, and how many of it.
CREATE TABLE "thing" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"material" text,
	"w" integer,
	"h" integer,
	"count" integer NOT NULL,
	"lies" text DEFAULT '' NOT NULL,
	"lot" text DEFAULT 'stash' NOT NULL,
	"use_up" boolean DEFAULT false NOT NULL,
	"has_top" boolean DEFAULT false NOT NULL,
	"one_sided" boolean DEFAULT false NOT NULL,
	"caliper" integer,
	"numbers" jsonb,
	"letters" jsonb,
	"note" text DEFAULT '' NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "thing_count" CHECK ("thing"."count" between 0 and 100000),
	CONSTRAINT "thing_caliper" CHECK ("thing"."caliper" > 0),
	CONSTRAINT "thing_size" CHECK (("thing"."w" is null) = ("thing"."h" is null))
);
--> statement-breakpoint
ALTER TABLE "thing" ADD CONSTRAINT "thing_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "thing_of_household" ON "thing" USING btree ("household_id");
--> statement-breakpoint
CREATE TRIGGER thing_journal AFTER INSERT OR UPDATE OR DELETE ON thing FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
