-- Florals, foils and signs on a piece: `hold.picks` with a `label` each become `attachments` with a `name`.
UPDATE "pieces" SET
	"data" = (CASE WHEN "data" -> 'hold' = jsonb_build_object('picks', "data" -> 'hold' -> 'picks')
		THEN "data" - 'hold' ELSE "data" #- '{hold,picks}' END)
		|| jsonb_build_object('attachments', (
			SELECT coalesce(jsonb_agg((pick - 'label') || jsonb_build_object('name', pick -> 'label') ORDER BY place), '[]')
			FROM jsonb_array_elements("data" -> 'hold' -> 'picks') WITH ORDINALITY AS picks(pick, place)))
WHERE "data" -> 'hold' ? 'picks';
