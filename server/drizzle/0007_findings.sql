CREATE TABLE "finding_steps" (
	"id" uuid PRIMARY KEY NOT NULL,
	"finding_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	"review_on" date,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "findings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"round_id" uuid,
	"stop_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"level" text NOT NULL,
	"text" text NOT NULL,
	"owner" text NOT NULL,
	"review_on" date,
	"by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "finding_steps" ADD CONSTRAINT "finding_steps_finding_id_findings_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."findings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "finding_steps_finding" ON "finding_steps" USING btree ("finding_id");--> statement-breakpoint
CREATE INDEX "findings_machine" ON "findings" USING btree ("machine_id");