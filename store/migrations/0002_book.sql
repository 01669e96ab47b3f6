ALTER TABLE "day" ADD CONSTRAINT "day_of_album" UNIQUE("id","album_id");
--> statement-breakpoint
CREATE TABLE "book_change" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"act" uuid NOT NULL,
	"album_id" uuid NOT NULL,
	"member_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"made" jsonb NOT NULL,
	"order" jsonb,
	"before" jsonb NOT NULL,
	"settled" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "leaf" (
	"id" uuid PRIMARY KEY NOT NULL,
	"album_id" uuid NOT NULL,
	"position" integer,
	"kind" text NOT NULL,
	"day_id" uuid,
	"insert_id" uuid,
	"stock" jsonb,
	"drop" integer,
	"lifts_off" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 0 NOT NULL,
	"updated_at" timestamp with time zone,
	"updated_by" uuid,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "leaf_place_once" UNIQUE("album_id","position") DEFERRABLE INITIALLY DEFERRED,
	CONSTRAINT "leaf_of_album" UNIQUE("id","album_id"),
	CONSTRAINT "leaf_insert_once" UNIQUE("insert_id"),
	CONSTRAINT "leaf_placed" CHECK (("leaf"."position" is null) = ("leaf"."deleted_at" is not null) and coalesce("leaf"."position", 0) >= 0),
	CONSTRAINT "leaf_material" CHECK (case "leaf"."kind"
        when 'page' then "leaf"."day_id" is not null and "leaf"."insert_id" is null and "leaf"."stock" is null
        when 'insert' then "leaf"."day_id" is not null and "leaf"."insert_id" is not null and "leaf"."stock" is null
        when 'own' then "leaf"."day_id" is null and "leaf"."insert_id" is null and "leaf"."stock" is not null
        else false end)
);
--> statement-breakpoint
CREATE TABLE "measured_format" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"unit" text NOT NULL,
	"format" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pocket_layout" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"page_w" integer NOT NULL,
	"page_h" integer NOT NULL,
	"margin" integer NOT NULL,
	"root" jsonb NOT NULL,
	CONSTRAINT "pocket_layout_size" CHECK ("pocket_layout"."page_w" > 0 and "pocket_layout"."page_h" > 0 and "pocket_layout"."margin" >= 0)
);
--> statement-breakpoint
CREATE TABLE "side" (
	"leaf_id" uuid NOT NULL,
	"album_id" uuid NOT NULL,
	"face" text NOT NULL,
	"day_id" uuid,
	"matter" text,
	"pieces" jsonb,
	CONSTRAINT "side_leaf_id_face_pk" PRIMARY KEY("leaf_id","face"),
	CONSTRAINT "side_face" CHECK ("side"."face" in ('front', 'back')),
	CONSTRAINT "side_one_owner" CHECK (num_nonnulls("side"."day_id", "side"."matter") <= 1)
);
--> statement-breakpoint
CREATE TABLE "template" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"page_w" integer NOT NULL,
	"page_h" integer NOT NULL,
	"kind" text NOT NULL,
	"layout" text,
	"pieces" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "try_out" (
	"id" uuid PRIMARY KEY NOT NULL,
	"leaf_id" uuid NOT NULL,
	"face" text NOT NULL,
	"name" text NOT NULL,
	"pieces" jsonb NOT NULL,
	"version" integer DEFAULT 0 NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "binding_edge" text, ADD COLUMN "hole_positions" integer[], ADD COLUMN "hole_inset" integer, ADD COLUMN "hole_diameter" integer, ADD COLUMN "cover_w" integer, ADD COLUMN "cover_h" integer;
--> statement-breakpoint
-- Albums made before holes and covers were measured get what their kind of binding typically has: three rings that divide
-- the edge evenly, two holes as ISO 838 has them (80 mm apart, 6 mm across, 12 mm in), or none; a cover a quarter inch larger.
UPDATE "album" SET
	"binding_edge" = 'left',
	"hole_positions" = CASE "binding"
		WHEN 'ring' THEN ARRAY[round("outer_h" / 2.0) - round("outer_h" / 3.0), round("outer_h" / 2.0), round("outer_h" / 2.0) + round("outer_h" / 3.0)]::integer[]
		WHEN 'two-hole' THEN ARRAY[round(("outer_h" - 25600) / 2.0), round(("outer_h" - 25600) / 2.0) + 25600]::integer[]
		ELSE ARRAY[]::integer[] END,
	"hole_inset" = CASE "binding" WHEN 'ring' THEN 3048 WHEN 'two-hole' THEN 3840 ELSE 0 END,
	"hole_diameter" = CASE "binding" WHEN 'ring' THEN 2032 WHEN 'two-hole' THEN 1920 ELSE 0 END,
	"cover_w" = "outer_w" + 2032,
	"cover_h" = "outer_h" + 2032;
--> statement-breakpoint
ALTER TABLE "album" ALTER COLUMN "binding_edge" SET NOT NULL, ALTER COLUMN "hole_positions" SET NOT NULL, ALTER COLUMN "hole_inset" SET NOT NULL, ALTER COLUMN "hole_diameter" SET NOT NULL, ALTER COLUMN "cover_w" SET NOT NULL, ALTER COLUMN "cover_h" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "book_change" ADD CONSTRAINT "book_change_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "book_change" ADD CONSTRAINT "book_change_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_insert_id_day_insert_id_fk" FOREIGN KEY ("insert_id") REFERENCES "public"."day_insert"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_updated_by_member_id_fk" FOREIGN KEY ("updated_by") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_day" FOREIGN KEY ("day_id","album_id") REFERENCES "public"."day"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measured_format" ADD CONSTRAINT "measured_format_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pocket_layout" ADD CONSTRAINT "pocket_layout_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side" ADD CONSTRAINT "side_leaf" FOREIGN KEY ("leaf_id","album_id") REFERENCES "public"."leaf"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side" ADD CONSTRAINT "side_day" FOREIGN KEY ("day_id","album_id") REFERENCES "public"."day"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "template" ADD CONSTRAINT "template_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "try_out" ADD CONSTRAINT "try_out_side" FOREIGN KEY ("leaf_id","face") REFERENCES "public"."side"("leaf_id","face") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "book_change_of" ON "book_change" USING btree ("album_id","at");--> statement-breakpoint
CREATE INDEX "measured_format_household" ON "measured_format" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "pocket_layout_household" ON "pocket_layout" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "side_day_of" ON "side" USING btree ("day_id");--> statement-breakpoint
CREATE INDEX "template_household" ON "template" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "try_out_of" ON "try_out" USING btree ("leaf_id","face");
--> statement-breakpoint
-- Every day that has a page, and every insert of a day, is a leaf: in date order, a day's inserts over its page.
INSERT INTO "leaf" ("id", "album_id", "position", "kind", "day_id", "insert_id")
SELECT gen_random_uuid(), l.album_id, row_number() OVER (PARTITION BY l.album_id ORDER BY l.date, l.rank, l.place) - 1, l.kind, l.day_id, l.insert_id
FROM (
	SELECT d.album_id, d.date, 1 AS rank, 0 AS place, 'page' AS kind, d.id AS day_id, NULL::uuid AS insert_id FROM "day" d WHERE d.foundation IS NOT NULL AND d.foundation <> 'null'::jsonb
	UNION ALL
	SELECT d.album_id, d.date, 0, i.position, 'insert', d.id, i.id FROM "day_insert" i JOIN "day" d ON d.id = i.day_id WHERE i.deleted_at IS NULL
) l;
--> statement-breakpoint
INSERT INTO "side" ("leaf_id", "album_id", "face", "day_id")
SELECT l.id, l.album_id, f.face, l.day_id FROM "leaf" l CROSS JOIN (VALUES ('front'), ('back')) AS f(face);
--> statement-breakpoint
-- The places of an album's leaves are 0, 1, 2 … without a gap; looked at when the transaction ends.
CREATE FUNCTION check_leaf_places() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  of_album uuid := coalesce(NEW.album_id, OLD.album_id);
  placed integer;
  last integer;
BEGIN
  SELECT count(*), coalesce(max(position), -1) INTO placed, last FROM leaf WHERE album_id = of_album AND position IS NOT NULL;
  IF placed <> last + 1 THEN
    RAISE EXCEPTION 'the leaves of an album leave a gap' USING ERRCODE = 'check_violation', CONSTRAINT = 'leaf_places_gapless';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER leaf_places_gapless AFTER INSERT OR UPDATE OR DELETE ON leaf DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_leaf_places();
--> statement-breakpoint
-- A change of a leaf counts the album's revision up, as a change of a day does. Sides are only ever written with their leaf.
CREATE TRIGGER leaf_inserted AFTER INSERT ON leaf REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
--> statement-breakpoint
CREATE TRIGGER leaf_updated AFTER UPDATE ON leaf REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION touch_album_of_day();
