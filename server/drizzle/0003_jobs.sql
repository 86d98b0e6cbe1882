CREATE TABLE "job_steps" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" jsonb NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"finding_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"title" text NOT NULL,
	"kinds" jsonb NOT NULL,
	"skip" jsonb NOT NULL,
	"crew" integer NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job_steps" ADD CONSTRAINT "job_steps_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_steps_job" ON "job_steps" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "jobs_machine" ON "jobs" USING btree ("machine_id");--> statement-breakpoint
CREATE TRIGGER jobs_stay BEFORE UPDATE OR DELETE ON jobs FOR EACH ROW EXECUTE FUNCTION facts_stay();--> statement-breakpoint
CREATE TRIGGER job_steps_stay BEFORE UPDATE OR DELETE ON job_steps FOR EACH ROW EXECUTE FUNCTION facts_stay();
