CREATE TABLE "plans" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"change" jsonb NOT NULL,
	"predicted" jsonb NOT NULL,
	"note" text NOT NULL,
	"done_at" timestamp with time zone,
	"dropped_at" timestamp with time zone,
	"dropped_why" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "layout" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "work" ADD COLUMN "turns" jsonb;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "plans_machine" ON "plans" USING btree ("machine_id","made_at");--> statement-breakpoint
CREATE INDEX "plans_done" ON "plans" USING btree ("done_at");