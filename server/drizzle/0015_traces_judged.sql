-- What a trace found, and a job that is under way, stand at their machine: whoever keeps one or a step of it puts a new version on it.
CREATE TRIGGER traces_version_insert AFTER INSERT ON traces REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();--> statement-breakpoint
CREATE TRIGGER trace_steps_version_insert AFTER INSERT ON trace_steps REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();--> statement-breakpoint
CREATE TRIGGER jobs_version_insert AFTER INSERT ON jobs REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();--> statement-breakpoint
CREATE TRIGGER job_steps_version_insert AFTER INSERT ON job_steps REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();
