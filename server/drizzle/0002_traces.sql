CREATE TABLE "trace_steps" (
	"id" uuid PRIMARY KEY NOT NULL,
	"trace_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" jsonb NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "traces" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"visit_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"complaint" text,
	"words" text NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "trace_steps" ADD CONSTRAINT "trace_steps_trace_id_traces_id_fk" FOREIGN KEY ("trace_id") REFERENCES "public"."traces"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "traces" ADD CONSTRAINT "traces_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "traces" ADD CONSTRAINT "traces_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "trace_steps_trace" ON "trace_steps" USING btree ("trace_id");--> statement-breakpoint
CREATE INDEX "traces_machine" ON "traces" USING btree ("machine_id");--> statement-breakpoint
CREATE TRIGGER traces_stay BEFORE UPDATE OR DELETE ON traces FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER trace_steps_stay BEFORE UPDATE OR DELETE ON trace_steps FOR EACH ROW EXECUTE FUNCTION facts_stay();
