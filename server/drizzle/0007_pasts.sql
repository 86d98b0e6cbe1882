CREATE TABLE "machine_versions" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"version" uuid NOT NULL
);
--> statement-breakpoint
ALTER TABLE "machine_versions" ADD CONSTRAINT "machine_versions_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- Whoever keeps a fact of a machine puts a new version on it. Ids by chance, not numbers: what was taken back, or comes from a
-- backup, is never taken for what was there before. In order, so that two that write many machines do not wait in a circle.
CREATE FUNCTION machines_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_TABLE_NAME = 'machines' THEN
    INSERT INTO machine_versions (machine_id, version)
    SELECT m.id, gen_random_uuid() FROM (SELECT DISTINCT c.id FROM changed c ORDER BY c.id) m
    ON CONFLICT (machine_id) DO UPDATE SET version = excluded.version;
  ELSIF TG_TABLE_NAME = 'sites' THEN
    UPDATE machine_versions v SET version = gen_random_uuid() FROM machines m, changed c
    WHERE m.id = v.machine_id AND m.site_id = c.id;
  ELSE
    INSERT INTO machine_versions (machine_id, version)
    SELECT m.machine_id, gen_random_uuid() FROM (SELECT DISTINCT c.machine_id FROM changed c ORDER BY c.machine_id) m
    ON CONFLICT (machine_id) DO UPDATE SET version = excluded.version;
  END IF;
  RETURN NULL;
END $$;--> statement-breakpoint
-- Readings come with their visit, in the same statement or behind it in the same transaction.
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['machines', 'visits', 'supersessions', 'components', 'work', 'findings', 'finding_steps', 'condition_closings'] LOOP
    EXECUTE format('CREATE TRIGGER %I AFTER INSERT ON %I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed()', t || '_version_insert', t);
  END LOOP;
  FOREACH t IN ARRAY ARRAY['machines', 'components', 'work', 'sites'] LOOP
    EXECUTE format('CREATE TRIGGER %I AFTER UPDATE ON %I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed()', t || '_version_update', t);
  END LOOP;
END $$;--> statement-breakpoint
INSERT INTO machine_versions (machine_id, version) SELECT id, gen_random_uuid() FROM machines;--> statement-breakpoint
-- The past of a machine as judging takes it: the latest visits, before them the first of each week, and every one that a person
-- took or that read more than volts and amps. A function, since its plan is then made once for each connection: planning it over
-- all the years takes four times as long as doing it.
CREATE FUNCTION machine_past(p_site uuid, p_machine uuid, p_latest integer)
RETURNS TABLE (
  id uuid, machine_id uuid, taken_at timestamptz, recorded_at timestamptz, by text, state jsonb, answers jsonb, passes jsonb,
  note text, supersedes uuid, reason text, source text, of_all bigint, superseded_by uuid, readings text[]
) LANGUAGE plpgsql STABLE SET plan_cache_mode = force_generic_plan AS $$
BEGIN
  RETURN QUERY
  WITH chosen AS MATERIALIZED (
    SELECT x.* FROM (
      SELECT s.*,
        row_number() OVER (ORDER BY s.taken_at DESC, s.id DESC) AS n,
        row_number() OVER (PARTITION BY date_trunc('week', s.taken_at) ORDER BY s.taken_at, s.id) AS of_week,
        count(*) OVER () AS of_all
      FROM visits s WHERE s.site_id = p_site AND s.machine_id = p_machine
    ) x
    WHERE x.n <= p_latest OR x.of_week = 1 OR x.answers <> '{}' OR x.source <> 'import' OR EXISTS (
      SELECT 1 FROM readings r
      WHERE r.site_id = x.site_id AND r.machine_id = x.machine_id AND r.taken_at = x.taken_at AND r.visit_id = x.id
        AND r.quantity NOT IN ('amps', 'volts_ll', 'volts_ln', 'hz'))
  )
  SELECT c.id, c.machine_id, c.taken_at, c.recorded_at, c.by, c.state, c.answers, c.passes, c.note, c.supersedes, c.reason, c.source,
    c.of_all, y.new_visit_id, r.list
  FROM chosen c
  LEFT JOIN supersessions y ON y.old_visit_id = c.id
  CROSS JOIN LATERAL (
    SELECT array_agg(r.quantity || ' ' || r.position || ' ' || r.value || coalesce(' ' || r.how || coalesce(' ' || r.spread, ''), '')
      ORDER BY r.quantity, r.position) AS list
    FROM readings r
    WHERE r.site_id = c.site_id AND r.machine_id = c.machine_id AND r.taken_at = c.taken_at AND r.visit_id = c.id
  ) r
  ORDER BY c.taken_at DESC, c.id DESC;
END $$;--> statement-breakpoint
-- In which state a machine was when it was read at an instant: for its twin.
CREATE FUNCTION read_with(p_site uuid, p_machine uuid, p_at timestamptz)
RETURNS TABLE (hz double precision, state jsonb) LANGUAGE plpgsql STABLE SET plan_cache_mode = force_generic_plan AS $$
BEGIN
  RETURN QUERY SELECT
    (SELECT r.value FROM readings r WHERE r.site_id = p_site AND r.machine_id = p_machine AND r.taken_at = p_at AND r.quantity = 'hz' LIMIT 1),
    (SELECT s.state FROM visits s WHERE s.site_id = p_site AND s.machine_id = p_machine AND s.taken_at = p_at LIMIT 1);
END $$;
