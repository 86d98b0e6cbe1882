-- One partition a year; what lies outside the years falls into the default one.
DO $$
BEGIN
  FOR y IN 2010..2039 LOOP
    EXECUTE format('CREATE TABLE visits_%s PARTITION OF visits FOR VALUES FROM (%L) TO (%L)', y, y || '-01-01T00:00:00Z', (y + 1) || '-01-01T00:00:00Z');
    EXECUTE format('CREATE TABLE readings_%s PARTITION OF readings FOR VALUES FROM (%L) TO (%L)', y, y || '-01-01T00:00:00Z', (y + 1) || '-01-01T00:00:00Z');
  END LOOP;
END $$;--> statement-breakpoint
CREATE TABLE visits_other PARTITION OF visits DEFAULT;--> statement-breakpoint
CREATE TABLE readings_other PARTITION OF readings DEFAULT;--> statement-breakpoint
CREATE FUNCTION facts_stay() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;--> statement-breakpoint
CREATE TRIGGER visits_stay BEFORE UPDATE OR DELETE ON visits FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER readings_stay BEFORE UPDATE OR DELETE ON readings FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER round_events_stay BEFORE UPDATE OR DELETE ON round_events FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER findings_stay BEFORE UPDATE OR DELETE ON findings FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER finding_steps_stay BEFORE UPDATE OR DELETE ON finding_steps FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER pictures_stay BEFORE UPDATE OR DELETE ON pictures FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER map_pictures_stay BEFORE UPDATE OR DELETE ON map_pictures FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER condition_closings_stay BEFORE UPDATE OR DELETE ON condition_closings FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TABLE session (
  sid varchar NOT NULL PRIMARY KEY,
  sess json NOT NULL,
  expire timestamptz(6) NOT NULL
);--> statement-breakpoint
CREATE INDEX session_expire ON session (expire);--> statement-breakpoint
CREATE TABLE sign_in_tries (
  key varchar(255) NOT NULL PRIMARY KEY,
  points integer NOT NULL DEFAULT 0,
  expire bigint
);
