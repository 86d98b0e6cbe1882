ALTER TABLE "machine_states" ADD COLUMN "found" jsonb;--> statement-breakpoint
-- What was found before is on the Roof at once, as it will be written from now on.
WITH last AS (
  SELECT DISTINCT ON (finding_id) finding_id, kind, review_on FROM finding_steps ORDER BY finding_id, at DESC, id DESC
), told AS (
  SELECT f.machine_id, f.level, f.text, f.at, l.kind IS DISTINCT FROM 'postponed' AS open,
    CASE WHEN l.kind = 'postponed' THEN l.review_on ELSE f.review_on END AS until,
    CASE f.level WHEN 'stop' THEN 4 WHEN 'fix' THEN 3 ELSE 2 END AS need
  FROM findings f LEFT JOIN last l ON l.finding_id = f.id
  WHERE l.kind IS DISTINCT FROM 'closed'
), worst AS (
  SELECT DISTINCT ON (machine_id) machine_id, level, text, need, open, until,
    count(*) OVER (PARTITION BY machine_id) - 1 AS more, min(until) OVER (PARTITION BY machine_id) AS soonest
  FROM told ORDER BY machine_id, open DESC, need DESC, at
)
UPDATE machine_states m
SET found = jsonb_build_object('level', w.level, 'text', w.text, 'open', w.open, 'until', w.until, 'more', w.more),
  need = CASE WHEN w.open THEN greatest(m.need, w.need) ELSE m.need END,
  due_at = least(m.due_at, (w.soonest + interval '12 hours') AT TIME ZONE 'UTC')
FROM worst w WHERE w.machine_id = m.machine_id;
