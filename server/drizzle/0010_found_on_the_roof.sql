ALTER TABLE "machine_states" ADD COLUMN "found" jsonb;--> statement-breakpoint
-- What was found before is on the Roof at once, as it will be written from now on.
WITH stands AS (
  SELECT f.machine_id, f.level, f.text, f.at,
    coalesce((SELECT s.kind FROM finding_steps s WHERE s.finding_id = f.id ORDER BY s.at DESC, s.id DESC LIMIT 1), 'reopened') AS step,
    CASE f.level WHEN 'stop' THEN 4 WHEN 'fix' THEN 3 ELSE 2 END AS need
  FROM findings f
), worst AS (
  SELECT DISTINCT ON (machine_id) machine_id, level, text, need, step <> 'postponed' AS open,
    count(*) OVER (PARTITION BY machine_id) - 1 AS more
  FROM stands WHERE step <> 'closed'
  ORDER BY machine_id, step = 'postponed', need DESC, at
)
UPDATE machine_states m
SET found = jsonb_build_object('level', w.level, 'text', w.text, 'open', w.open, 'more', w.more),
  need = CASE WHEN w.open THEN greatest(m.need, w.need) ELSE m.need END
FROM worst w WHERE w.machine_id = m.machine_id;
