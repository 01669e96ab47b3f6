CREATE TABLE "side_guest" (
	"leaf_id" uuid NOT NULL,
	"album_id" uuid NOT NULL,
	"face" text NOT NULL,
	"day_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"done" text[] DEFAULT '{}' NOT NULL,
	CONSTRAINT "side_guest_leaf_id_face_day_id_pk" PRIMARY KEY("leaf_id","face","day_id"),
	CONSTRAINT "side_guest_done" CHECK ("side_guest"."done" <@ array['number', 'assemble'])
);
--> statement-breakpoint
ALTER TABLE "photo" RENAME COLUMN "rejected" TO "set_aside";--> statement-breakpoint
ALTER TABLE "side_guest" ADD CONSTRAINT "side_guest_side" FOREIGN KEY ("leaf_id","face") REFERENCES "public"."side"("leaf_id","face") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_guest" ADD CONSTRAINT "side_guest_leaf" FOREIGN KEY ("leaf_id","album_id") REFERENCES "public"."leaf"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_guest" ADD CONSTRAINT "side_guest_day" FOREIGN KEY ("day_id","album_id") REFERENCES "public"."day"("id","album_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "side_guest_day_of" ON "side_guest" USING btree ("day_id");--> statement-breakpoint
-- Any piece says whose it is, where before only a number did, within what it is; paper round a photo is a photo mat.
CREATE FUNCTION pg_temp.named(what jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
	SELECT CASE WHEN what ->> 'kind' = 'mat' THEN jsonb_set(what, '{kind}', '"photo-mat"') ELSE what - 'dayId' END
$$;
--> statement-breakpoint
CREATE FUNCTION pg_temp.of_itself(pieces jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
	SELECT CASE WHEN jsonb_typeof(pieces) = 'array' THEN coalesce((
		SELECT jsonb_agg(p.piece || jsonb_build_object('what', pg_temp.named(p.piece -> 'what'), 'dayId', p.piece -> 'what' -> 'dayId') ORDER BY p.at)
		FROM jsonb_array_elements(pieces) WITH ORDINALITY AS p(piece, at)), '[]') ELSE pieces END
$$;
--> statement-breakpoint
UPDATE "side" SET pieces = pg_temp.of_itself(pieces) WHERE pieces IS NOT NULL;
--> statement-breakpoint
UPDATE "try_out" SET pieces = pg_temp.of_itself(pieces);
--> statement-breakpoint
-- A template is nobody's.
UPDATE "template" SET pieces = (
	SELECT coalesce(jsonb_agg(p.piece || jsonb_build_object('what', pg_temp.named(p.piece -> 'what')) ORDER BY p.at), '[]')
	FROM jsonb_array_elements(pieces) WITH ORDINALITY AS p(piece, at));
--> statement-breakpoint
-- What a change found before it is taken back to the shape of now.
CREATE FUNCTION pg_temp.alone(side jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
	SELECT side || jsonb_build_object('guests', '[]'::jsonb, 'pieces', pg_temp.of_itself(side -> 'pieces'))
$$;
--> statement-breakpoint
UPDATE "book_change" SET before = before || jsonb_build_object('leaves', (
	SELECT coalesce(jsonb_agg(l.leaf || jsonb_build_object('front', pg_temp.alone(l.leaf -> 'front'), 'back', pg_temp.alone(l.leaf -> 'back')) ORDER BY l.at), '[]')
	FROM jsonb_array_elements(before -> 'leaves') WITH ORDINALITY AS l(leaf, at)))
WHERE NOT settled;
