CREATE TABLE "vfd_links" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"host" text NOT NULL,
	"port" integer NOT NULL,
	"unit" integer NOT NULL,
	"profile_id" text NOT NULL,
	"may_write" boolean NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "vfd_profiles" (
	"id" text PRIMARY KEY NOT NULL,
	"profile" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "vfd_settings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"how" text NOT NULL,
	"set" jsonb NOT NULL,
	"why" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "vfd_links" ADD CONSTRAINT "vfd_links_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vfd_settings" ADD CONSTRAINT "vfd_settings_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vfd_settings" ADD CONSTRAINT "vfd_settings_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "vfd_settings_machine" ON "vfd_settings" USING btree ("machine_id","taken_at");--> statement-breakpoint
CREATE TRIGGER vfd_settings_stay BEFORE UPDATE OR DELETE ON vfd_settings FOR EACH ROW EXECUTE FUNCTION facts_stay();
--> statement-breakpoint
CREATE TRIGGER vfd_settings_stay_whole BEFORE TRUNCATE ON vfd_settings FOR EACH STATEMENT EXECUTE FUNCTION facts_stay();
