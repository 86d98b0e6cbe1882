-- What a trace found stands at its machine: whoever keeps a trace or a step of one puts a new version on it.
CREATE TRIGGER traces_version_insert AFTER INSERT ON traces REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();--> statement-breakpoint
CREATE TRIGGER trace_steps_version_insert AFTER INSERT ON trace_steps REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();
