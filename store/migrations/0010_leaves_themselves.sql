-- A leaf says itself what it is, where before its day, the day's insert or a stock of its own said it; what is done once for
-- a leaf is ticked on it, what is done of a side on the side. No leaf is of a day any more: a day has sides.
ALTER TABLE "leaf" DROP CONSTRAINT "leaf_insert_once";--> statement-breakpoint
ALTER TABLE "leaf" DROP CONSTRAINT "leaf_material";--> statement-breakpoint
ALTER TABLE "leaf" DROP CONSTRAINT "leaf_insert_id_day_insert_id_fk";--> statement-breakpoint
ALTER TABLE "leaf" DROP CONSTRAINT "leaf_day";--> statement-breakpoint
ALTER TABLE "day" DROP CONSTRAINT "day_page_size";--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "bare_w" integer;--> statement-breakpoint
ALTER TABLE "album" ADD COLUMN "bare_h" integer;--> statement-breakpoint
ALTER TABLE "side" DROP CONSTRAINT "side_one_owner";--> statement-breakpoint
ALTER TABLE "day" ADD COLUMN "matter" text;--> statement-breakpoint
ALTER TABLE "day" ADD COLUMN "own_date" date;--> statement-breakpoint
ALTER TABLE "day" ALTER COLUMN "date" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "leaf" RENAME COLUMN "kind" TO "was";--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "kind" text NOT NULL DEFAULT 'paper';--> statement-breakpoint
ALTER TABLE "leaf" ALTER COLUMN "kind" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "layout" text;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "w" integer;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "h" integer;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "base_paper" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "insert" text;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "leaf" ADD COLUMN "done" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "side" ADD COLUMN "done" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
-- What was ticked for each day, on its own page or on the one it shares.
CREATE TEMPORARY TABLE "ticked" ON COMMIT DROP AS
SELECT d.id, coalesce(d.merged_into, d.id) AS lead, d.done || coalesce(l.done, '{}') AS done
FROM "day" d LEFT JOIN "day" l ON l.id = d.merged_into;
--> statement-breakpoint
-- What a day asked for and no leaf stands for, neither in the book nor in the tray, comes last in the book; an insert that
-- lies in the tray comes into the tray.
INSERT INTO "leaf" ("id", "album_id", "position", "was", "kind", "day_id", "insert_id", "deleted_at")
SELECT gen_random_uuid(), m.album_id,
	CASE WHEN m.deleted_at IS NULL THEN coalesce(n.next, 0) - 1 + row_number() OVER (PARTITION BY m.album_id, m.deleted_at IS NULL ORDER BY m.date, m.rank, m.place) END,
	m.was, 'paper', m.day_id, m.insert_id, m.deleted_at
FROM (
	SELECT d.album_id, d.date, 1 AS rank, 0 AS place, 'page' AS was, d.id AS day_id, NULL::uuid AS insert_id, NULL::timestamptz AS deleted_at
	FROM "day" d
	WHERE (d.foundation ->> 'kind' IS NOT NULL OR d.page_w IS NOT NULL) AND NOT EXISTS (SELECT FROM "leaf" l WHERE l.was = 'page' AND l.day_id = d.id)
	UNION ALL
	SELECT d.album_id, d.date, 0, i.position, 'insert', d.id, i.id, i.deleted_at
	FROM "day_insert" i JOIN "day" d ON d.id = i.day_id
	WHERE NOT EXISTS (SELECT FROM "leaf" l WHERE l.insert_id = i.id)
) m LEFT JOIN (SELECT album_id, max(position) + 1 AS next FROM "leaf" GROUP BY album_id) n ON n.album_id = m.album_id;
--> statement-breakpoint
INSERT INTO "side" ("leaf_id", "album_id", "face", "day_id")
SELECT l.id, l.album_id, f.face, l.day_id FROM "leaf" l CROSS JOIN (VALUES ('front'), ('back')) AS f(face)
WHERE NOT EXISTS (SELECT FROM "side" s WHERE s.leaf_id = l.id);
--> statement-breakpoint
UPDATE "leaf" SET kind = stock ->> 'kind', layout = stock ->> 'layout', base_paper = coalesce(stock ->> 'basePaper', ''), note = coalesce(stock ->> 'note', ''),
	w = (stock -> 'size' ->> 'w')::integer, h = (stock -> 'size' ->> 'h')::integer
WHERE was = 'own';
--> statement-breakpoint
UPDATE "leaf" l SET kind = coalesce(d.foundation ->> 'kind', 'paper'), layout = d.foundation ->> 'layout', base_paper = coalesce(d.foundation ->> 'basePaper', ''), note = coalesce(d.foundation ->> 'note', ''), w = d.page_w, h = d.page_h
FROM "day" d WHERE l.was = 'page' AND d.id = l.day_id;
--> statement-breakpoint
UPDATE "leaf" l SET insert = i.kind, note = i.note, w = i.w, h = i.h
FROM "day_insert" i WHERE l.was = 'insert' AND i.id = l.insert_id;
--> statement-breakpoint
-- Only a day's page was laid out before anybody arranged it.
UPDATE "side" s SET pieces = '[]' FROM "leaf" l WHERE l.id = s.leaf_id AND l.was <> 'page' AND s.pieces IS NULL;
--> statement-breakpoint
-- A tick of a day goes to every leaf and side of that day it can mean; a day that was in the book has its sides assembled.
UPDATE "side" s SET done = array_remove(ARRAY[CASE WHEN 'number' = ANY (t.done) THEN 'number' END, CASE WHEN t.done && ARRAY['assemble', 'file'] THEN 'assemble' END], NULL)
FROM "ticked" t WHERE t.id = s.day_id;
--> statement-breakpoint
UPDATE "leaf" l SET done = array_remove(ARRAY[CASE WHEN (CASE WHEN l.was = 'insert' THEN 'insert' ELSE 'base' END) = ANY (ticks.steps) THEN 'base' END, CASE WHEN 'punch' = ANY (ticks.steps) THEN 'punch' END, CASE WHEN 'file' = ANY (ticks.steps) THEN 'file' END], NULL)
FROM (
	SELECT p.leaf_id, array_agg(DISTINCT k.step) AS steps
	FROM (SELECT leaf_id, day_id FROM "side" WHERE day_id IS NOT NULL UNION SELECT id, day_id FROM "leaf" WHERE day_id IS NOT NULL) p
	JOIN "ticked" t ON t.id = p.day_id CROSS JOIN unnest(t.done) AS k(step)
	GROUP BY p.leaf_id
) ticks WHERE ticks.leaf_id = l.id;
--> statement-breakpoint
UPDATE "day" d SET done = ARRAY(SELECT u.step FROM unnest(d.done) WITH ORDINALITY AS u(step, at) WHERE u.step NOT IN ('base', 'punch', 'file', 'number', 'assemble', 'insert') ORDER BY u.at)
FROM "ticked" t
WHERE t.id = d.id AND t.lead IN (SELECT o.lead FROM "side" s JOIN "leaf" l ON l.id = s.leaf_id JOIN "ticked" o ON o.id = s.day_id WHERE l.position IS NOT NULL);
--> statement-breakpoint
-- The front and back matter are entries like days: one for each kind that an album has sides of.
INSERT INTO "day" ("album_id", "matter", "numeral_style")
SELECT DISTINCT album_id, matter, 'none' FROM "side" WHERE matter IS NOT NULL;
--> statement-breakpoint
UPDATE "side" s SET day_id = d.id FROM "day" d WHERE d.matter = s.matter AND d.album_id = s.album_id;
--> statement-breakpoint
-- A number has a look, a nought before it and a day of its own: so far none.
UPDATE "side" SET pieces = (
	SELECT jsonb_agg(CASE WHEN p.piece -> 'what' ->> 'kind' = 'numeral' THEN jsonb_set(p.piece, '{what}', '{"look": null, "zero": false, "dayId": null}' || (p.piece -> 'what')) ELSE p.piece END ORDER BY p.at)
	FROM jsonb_array_elements(pieces) WITH ORDINALITY AS p(piece, at)
) WHERE pieces @> '[{"what": {"kind": "numeral"}}]';
--> statement-breakpoint
UPDATE "try_out" SET pieces = (
	SELECT jsonb_agg(CASE WHEN p.piece -> 'what' ->> 'kind' = 'numeral' THEN jsonb_set(p.piece, '{what}', '{"look": null, "zero": false, "dayId": null}' || (p.piece -> 'what')) ELSE p.piece END ORDER BY p.at)
	FROM jsonb_array_elements(pieces) WITH ORDINALITY AS p(piece, at)
) WHERE pieces @> '[{"what": {"kind": "numeral"}}]';
--> statement-breakpoint
UPDATE "template" SET pieces = (
	SELECT jsonb_agg(CASE WHEN p.piece -> 'what' ->> 'kind' = 'numeral' THEN jsonb_set(p.piece, '{what}', '{"look": null, "zero": false, "dayId": null}' || (p.piece -> 'what')) ELSE p.piece END ORDER BY p.at)
	FROM jsonb_array_elements(pieces) WITH ORDINALITY AS p(piece, at)
) WHERE pieces @> '[{"what": {"kind": "numeral"}}]';
--> statement-breakpoint
-- Leaves without a protector have a measure of their own: as they were drawn where the book has one, else as the whole leaf.
UPDATE "album" a SET
	bare_w = CASE WHEN b.has THEN a.nominal_w ELSE a.outer_w END, bare_h = CASE WHEN b.has THEN a.nominal_h ELSE a.outer_h END
FROM (SELECT o.id, EXISTS (SELECT FROM "leaf" l WHERE l.album_id = o.id AND l.position IS NOT NULL AND l.kind NOT IN ('full', 'pocket') AND l.insert IS NULL AND l.w IS NULL) AS has FROM "album" o) b
WHERE b.id = a.id;
--> statement-breakpoint
-- What was changed before stays readable; it is told in words that no longer are, and cannot be taken back.
UPDATE "day_change" SET settled = true WHERE NOT settled;
--> statement-breakpoint
UPDATE "book_change" SET settled = true WHERE NOT settled;
--> statement-breakpoint
SET CONSTRAINTS ALL IMMEDIATE;
--> statement-breakpoint
ALTER TABLE "album" ALTER COLUMN "bare_w" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ALTER COLUMN "bare_h" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "album" ADD CONSTRAINT "album_bare" CHECK ("album"."bare_w" > 0 and "album"."bare_h" > 0);--> statement-breakpoint
ALTER TABLE "side" DROP COLUMN "matter";--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_dated" CHECK (("day"."date" is null) = ("day"."matter" is not null));--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_own_date" CHECK ("day"."own_date" is null or "day"."matter" is not null);--> statement-breakpoint
ALTER TABLE "leaf" DROP COLUMN "was";--> statement-breakpoint
ALTER TABLE "leaf" DROP COLUMN "day_id";--> statement-breakpoint
ALTER TABLE "leaf" DROP COLUMN "insert_id";--> statement-breakpoint
ALTER TABLE "leaf" DROP COLUMN "stock";--> statement-breakpoint
DROP TABLE "day_insert" CASCADE;--> statement-breakpoint
ALTER TABLE "day" DROP COLUMN "foundation";--> statement-breakpoint
ALTER TABLE "day" DROP COLUMN "page_w";--> statement-breakpoint
ALTER TABLE "day" DROP COLUMN "page_h";--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_kind" CHECK ("leaf"."kind" in ('full', 'pocket', 'paper', 'clear', 'vellum'));--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_size" CHECK (("leaf"."w" is null) = ("leaf"."h" is null) and coalesce("leaf"."w", 1) > 0 and coalesce("leaf"."h", 1) > 0);--> statement-breakpoint
ALTER TABLE "leaf" ADD CONSTRAINT "leaf_done" CHECK ("leaf"."done" <@ array['base', 'punch', 'file']);--> statement-breakpoint
ALTER TABLE "side" ADD CONSTRAINT "side_done" CHECK ("side"."done" <@ array['number', 'assemble']);
