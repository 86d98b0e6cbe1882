CREATE TABLE "audit_seals" (
	"seq" bigint PRIMARY KEY NOT NULL,
	"audit_id" uuid NOT NULL,
	"hash" text NOT NULL,
	CONSTRAINT "audit_seals_audit_id_unique" UNIQUE("audit_id")
);
--> statement-breakpoint
CREATE TABLE "audit_waiting" (
	"audit_id" uuid PRIMARY KEY NOT NULL
);
--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "by_id" uuid;--> statement-breakpoint
CREATE TRIGGER audit_stay BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER audit_seals_stay BEFORE UPDATE OR DELETE ON audit_seals FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER work_stay BEFORE UPDATE OR DELETE ON work FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER supersessions_stay BEFORE UPDATE OR DELETE ON supersessions FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
-- No fact is emptied away either.
DO $$
DECLARE t text;
BEGIN
  FOR t IN SELECT c.relname FROM pg_trigger g JOIN pg_class c ON c.oid = g.tgrelid JOIN pg_proc p ON p.oid = g.tgfoid
    WHERE p.proname = 'facts_stay' AND g.tgparentid = 0 LOOP
    EXECUTE format('CREATE TRIGGER %I BEFORE TRUNCATE ON %I FOR EACH STATEMENT EXECUTE FUNCTION facts_stay()', t || '_stay_whole', t);
  END LOOP;
END $$;--> statement-breakpoint
CREATE FUNCTION audit_waits() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO audit_waiting (audit_id) VALUES (NEW.id);
  RETURN NULL;
END $$;--> statement-breakpoint
CREATE TRIGGER audit_waits AFTER INSERT ON audit FOR EACH ROW EXECUTE FUNCTION audit_waits();--> statement-breakpoint
INSERT INTO audit_waiting (audit_id) SELECT id FROM audit;--> statement-breakpoint
-- What a seal is put on: every field, each with its length before it, so that no two lines have one text.
CREATE FUNCTION audit_text(a audit) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT string_agg(CASE WHEN f IS NULL THEN '-' ELSE length(f) || ':' || f END, ' ' ORDER BY n)
  FROM unnest(ARRAY[
    a.id::text, (extract(epoch FROM a.at) * 1000000)::bigint::text, a.by, a.by_id::text, a.what, a.entity, a.entity_id::text, a.why,
    a.changes::text, a.change_id::text
  ]) WITH ORDINALITY AS x(f, n)
$$;--> statement-breakpoint
-- Seal what waits, one server after the other. Returns the number of new seals.
CREATE FUNCTION seal_audit() RETURNS integer LANGUAGE plpgsql AS $$
DECLARE
  a audit;
  done integer := 0;
  last_seq bigint;
  last_hash text;
BEGIN
  PERFORM pg_advisory_xact_lock(727003);
  SELECT s.seq, s.hash INTO last_seq, last_hash FROM audit_seals s ORDER BY s.seq DESC LIMIT 1;
  FOR a IN SELECT l.* FROM audit_waiting w JOIN audit l ON l.id = w.audit_id ORDER BY l.at, l.id LOOP
    last_seq := coalesce(last_seq, 0) + 1;
    last_hash := encode(sha256(convert_to(coalesce(last_hash, '') || E'\n' || audit_text(a), 'UTF8')), 'hex');
    INSERT INTO audit_seals (seq, audit_id, hash) VALUES (last_seq, a.id, last_hash);
    DELETE FROM audit_waiting WHERE audit_id = a.id;
    done := done + 1;
  END LOOP;
  RETURN done;
END $$;
