CREATE TABLE "condition_closings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"key" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"reason" text NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "machine_states" ADD COLUMN "conditions" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "organisation" ADD COLUMN "judge_version" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "hertz" smallint;--> statement-breakpoint
ALTER TABLE "condition_closings" ADD CONSTRAINT "condition_closings_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "condition_closings_machine" ON "condition_closings" USING btree ("machine_id");--> statement-breakpoint
CREATE TRIGGER condition_closings_stay BEFORE UPDATE OR DELETE ON condition_closings FOR EACH ROW EXECUTE FUNCTION facts_stay();
