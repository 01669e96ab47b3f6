-- What is set of a construction, kept by a household to begin others from.
CREATE TABLE "kept_making" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"paper" text NOT NULL,
	"set" jsonb NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "kept_making" ADD CONSTRAINT "kept_making_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "kept_making_household" ON "kept_making" USING btree ("household_id");
--> statement-breakpoint
CREATE TRIGGER kept_making_journal AFTER INSERT OR UPDATE OR DELETE ON kept_making FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
