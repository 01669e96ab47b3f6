-- One journal in place of two logs: every change of an album is one line, with each row it changed as it was before and as
-- it left it. Triggers write the rows, so that nothing a line changes can be left out of it. Changes made before this step
-- can no longer be taken back; which fields every save of a day wrote, and every earlier wording of a card, are brought along.
CREATE TABLE "card_wording" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "card_wording_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"card_id" uuid NOT NULL,
	"member_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"text" text NOT NULL,
	"back" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "day_save" (
	"day_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"member_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"fields" text[] NOT NULL,
	"line_id" uuid,
	CONSTRAINT "day_save_day_id_version_pk" PRIMARY KEY("day_id","version")
);
--> statement-breakpoint
CREATE TABLE "journal_line" (
	"id" uuid PRIMARY KEY NOT NULL,
	"seq" bigint GENERATED ALWAYS AS IDENTITY (sequence name "journal_line_seq_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"household_id" uuid NOT NULL,
	"album_id" uuid,
	"member_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"did" jsonb NOT NULL,
	"taken_back_at" timestamp with time zone,
	"open" boolean DEFAULT true NOT NULL
);
--> statement-breakpoint
CREATE TABLE "journal_row" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "journal_row_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"line_id" uuid NOT NULL,
	"of" text NOT NULL,
	"key" jsonb NOT NULL,
	"before" jsonb,
	"after" jsonb
);
--> statement-breakpoint
ALTER TABLE "card_wording" ADD CONSTRAINT "card_wording_card_id_card_id_fk" FOREIGN KEY ("card_id") REFERENCES "public"."card"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_wording" ADD CONSTRAINT "card_wording_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_save" ADD CONSTRAINT "day_save_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_save" ADD CONSTRAINT "day_save_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_save" ADD CONSTRAINT "day_save_line_id_journal_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."journal_line"("id") ON DELETE set null ON UPDATE no action DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "journal_line" ADD CONSTRAINT "journal_line_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "journal_line" ADD CONSTRAINT "journal_line_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "journal_line" ADD CONSTRAINT "journal_line_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "journal_row" ADD CONSTRAINT "journal_row_line_id_journal_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."journal_line"("id") ON DELETE cascade ON UPDATE no action DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
CREATE INDEX "card_wording_of" ON "card_wording" USING btree ("card_id","id");--> statement-breakpoint
CREATE INDEX "day_save_line" ON "day_save" USING btree ("line_id");--> statement-breakpoint
CREATE INDEX "journal_line_of" ON "journal_line" USING btree ("album_id","member_id","seq");--> statement-breakpoint
CREATE INDEX "journal_line_household" ON "journal_line" USING btree ("household_id","at");--> statement-breakpoint
CREATE INDEX "journal_row_line" ON "journal_row" USING btree ("line_id");--> statement-breakpoint
CREATE INDEX "journal_row_key" ON "journal_row" USING btree ("of","key");
--> statement-breakpoint
INSERT INTO day_save (day_id, version, member_id, at, fields) SELECT day_id, version, member_id, at, fields FROM day_change;
--> statement-breakpoint
-- What a save left of a card's words is what the next save of them found, or what stands there now.
INSERT INTO card_wording (card_id, member_id, at, text, back)
WITH saves AS (
  SELECT c.id AS card_id, d.version, d.member_id, d.at, c.text, c.back,
    jsonb_path_query_first(d.before, '$.content.cards[*] ? (@.id == $id)', jsonb_build_object('id', c.id::text)) AS was
  FROM card c JOIN day_change d ON d.day_id = c.day_id AND d.fields && ARRAY['card:' || c.id, 'card-back:' || c.id]
), ordered AS (
  SELECT saves.*, lead(was) OVER one AS next, lead(version) OVER one AS next_version, row_number() OVER one AS nth
  FROM saves WINDOW one AS (PARTITION BY card_id ORDER BY version)
)
SELECT card_id, member_id, at, text, back FROM (
  SELECT card_id, version, 0 AS half, NULL::uuid AS member_id, at, was ->> 'text' AS text, coalesce(was ->> 'back', '') AS back
  FROM ordered WHERE nth = 1 AND was ->> 'text' <> ''
  UNION ALL
  SELECT card_id, version, 1, member_id, at,
    CASE WHEN next_version IS NULL THEN text ELSE coalesce(next ->> 'text', '') END,
    CASE WHEN next_version IS NULL THEN back ELSE coalesce(next ->> 'back', '') END
  FROM ordered
) wordings ORDER BY card_id, version, half;
--> statement-breakpoint
DROP TABLE "day_change" CASCADE;--> statement-breakpoint
DROP TABLE "book_change" CASCADE;
--> statement-breakpoint
-- Keeps a row as it was and as it is now for the line that is being written. The first argument names the key's columns, the
-- second those that only count changes. Of a changed row only the columns that differ are kept.
CREATE FUNCTION keep_journal_row() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  row_before jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) END;
  row_after jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) END;
  row_key jsonb;
BEGIN
  SELECT jsonb_object_agg(name, coalesce(row_after, row_before) -> name) INTO row_key
    FROM unnest(string_to_array(TG_ARGV[0], ',')) AS name;
  IF TG_OP = 'UPDATE' THEN
    SELECT jsonb_object_agg(old_value.key, old_value.value), jsonb_object_agg(old_value.key, row_after -> old_value.key)
      INTO row_before, row_after
      FROM jsonb_each(row_before - string_to_array(TG_ARGV[1], ',')) AS old_value
      WHERE row_after -> old_value.key IS DISTINCT FROM old_value.value;
    IF row_before IS NULL THEN RETURN NULL; END IF;
  END IF;
  INSERT INTO journal_row (line_id, "of", "key", "before", "after")
    VALUES (current_setting('hearth.line')::uuid, TG_TABLE_NAME, row_key, row_before, row_after);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER album_journal AFTER INSERT OR UPDATE OR DELETE ON album FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'version,revision');
--> statement-breakpoint
CREATE TRIGGER day_journal AFTER INSERT OR UPDATE OR DELETE ON day FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'version,updated_at,updated_by');
--> statement-breakpoint
CREATE TRIGGER card_journal AFTER INSERT OR UPDATE OR DELETE ON card FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER jotting_journal AFTER INSERT OR UPDATE OR DELETE ON jotting FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER day_photo_journal AFTER INSERT OR UPDATE OR DELETE ON day_photo FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER leaf_journal AFTER INSERT OR UPDATE OR DELETE ON leaf FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'version,updated_at,updated_by,position');
--> statement-breakpoint
CREATE TRIGGER side_journal AFTER INSERT OR UPDATE OR DELETE ON side FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('leaf_id,face', '');
--> statement-breakpoint
CREATE TRIGGER side_guest_journal AFTER INSERT OR UPDATE OR DELETE ON side_guest FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('leaf_id,face,day_id', '');
--> statement-breakpoint
CREATE TRIGGER try_out_journal AFTER INSERT OR UPDATE OR DELETE ON try_out FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'version');
--> statement-breakpoint
CREATE TRIGGER print_sheet_journal AFTER INSERT OR UPDATE OR DELETE ON print_sheet FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', 'version');
--> statement-breakpoint
CREATE TRIGGER lab_order_journal AFTER INSERT OR UPDATE OR DELETE ON lab_order FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER print_journal AFTER INSERT OR UPDATE OR DELETE ON print FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER photo_journal AFTER INSERT OR UPDATE OR DELETE ON photo FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER deck_journal AFTER INSERT OR UPDATE OR DELETE ON deck FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER hand_journal AFTER INSERT OR UPDATE OR DELETE ON hand FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER stamp_set_journal AFTER INSERT OR UPDATE OR DELETE ON stamp_set FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER pocket_layout_journal AFTER INSERT OR UPDATE OR DELETE ON pocket_layout FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER template_journal AFTER INSERT OR UPDATE OR DELETE ON template FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER measured_format_journal AFTER INSERT OR UPDATE OR DELETE ON measured_format FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
--> statement-breakpoint
CREATE TRIGGER printer_journal AFTER INSERT OR UPDATE OR DELETE ON printer FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('household_id', '');
--> statement-breakpoint
CREATE TRIGGER household_journal AFTER INSERT OR UPDATE OR DELETE ON household FOR EACH ROW
  WHEN (coalesce(current_setting('hearth.line', true), '') <> '') EXECUTE FUNCTION keep_journal_row('id', '');
