-- Ring albums as they were once shipped, never put a ruler to: opening and margin together were an eighth wider than the leaf.
-- They get the measures that are shipped now; what was measured stays as it is. An inch is 8128.
UPDATE "album" SET opening_w = nominal_w + 1524, opening_h = nominal_h + 1524, margin = 6604
WHERE binding = 'ring' AND binding_edge = 'left' AND margin = 8128
	AND opening_w = nominal_w + 1016 AND opening_h = nominal_h + 1016
	AND outer_w = nominal_w + 8128 AND outer_h = nominal_h + 2032;
--> statement-breakpoint
UPDATE "measured_format" SET format = format || jsonb_build_object(
	'margin', 6604,
	'opening', jsonb_build_object('w', (format -> 'nominal' ->> 'w')::int + 1524, 'h', (format -> 'nominal' ->> 'h')::int + 1524)
)
WHERE format ->> 'binding' = 'ring' AND format ->> 'bindingEdge' = 'left' AND (format ->> 'margin')::int = 8128
	AND (format -> 'opening' ->> 'w')::int = (format -> 'nominal' ->> 'w')::int + 1016
	AND (format -> 'opening' ->> 'h')::int = (format -> 'nominal' ->> 'h')::int + 1016
	AND (format -> 'outer' ->> 'w')::int = (format -> 'nominal' ->> 'w')::int + 8128
	AND (format -> 'outer' ->> 'h')::int = (format -> 'nominal' ->> 'h')::int + 2032;
