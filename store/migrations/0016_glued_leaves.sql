ALTER TABLE "leaf" ADD COLUMN "glued" boolean DEFAULT false NOT NULL;--> statement-breakpoint
UPDATE "book_change" SET before = before || jsonb_build_object('leaves', (
	SELECT coalesce(jsonb_agg(l.leaf || '{"glued": false}' ORDER BY l.at), '[]')
	FROM jsonb_array_elements(before -> 'leaves') WITH ORDINALITY AS l(leaf, at)))
WHERE NOT settled;
