CREATE TRIGGER round_events_stay BEFORE UPDATE OR DELETE ON round_events FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER findings_stay BEFORE UPDATE OR DELETE ON findings FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER finding_steps_stay BEFORE UPDATE OR DELETE ON finding_steps FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER pictures_stay BEFORE UPDATE OR DELETE ON pictures FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER plan_pictures_stay BEFORE UPDATE OR DELETE ON plan_pictures FOR EACH ROW EXECUTE FUNCTION facts_stay();
