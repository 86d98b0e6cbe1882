CREATE TABLE "areas" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "areas_name" UNIQUE("site_id","name")
);
--> statement-breakpoint
CREATE TABLE "audit" (
	"id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"what" text NOT NULL,
	"entity" text NOT NULL,
	"entity_id" uuid,
	"why" text NOT NULL,
	"changes" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "components" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"slot" text NOT NULL,
	"spec" jsonb NOT NULL,
	"fitted_at" timestamp with time zone NOT NULL,
	"fitted_by" text NOT NULL,
	"why" text NOT NULL,
	"stand_in" boolean NOT NULL,
	"removed_at" timestamp with time zone,
	"removed_why" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "imports" (
	"id" uuid PRIMARY KEY NOT NULL,
	"state" jsonb NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "invitations" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid,
	"role" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "machine_states" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"area_id" uuid NOT NULL,
	"sort_key" text NOT NULL,
	"words" text NOT NULL,
	"retired" boolean DEFAULT false NOT NULL,
	"need" smallint NOT NULL,
	"level" text,
	"headline" text NOT NULL,
	"confidence" text NOT NULL,
	"rail" jsonb,
	"mean_volts" double precision,
	"load" double precision,
	"spark" real[] NOT NULL,
	"seen_at" timestamp with time zone,
	"due_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "machines" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"tag" text NOT NULL,
	"purpose" text NOT NULL,
	"phases" smallint NOT NULL,
	"service_volts" double precision NOT NULL,
	"drive" text NOT NULL,
	"has_drive" boolean NOT NULL,
	"has_sister" boolean NOT NULL,
	"unit_plate" jsonb,
	"retired_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "organisation" (
	"id" integer PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"rules" jsonb NOT NULL,
	"rules_version" integer NOT NULL,
	"rules_by" text,
	"rules_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY NOT NULL,
	"login" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"password_hash" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"disabled_at" timestamp with time zone,
	CONSTRAINT "people_login_unique" UNIQUE("login")
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"stop_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	"position" text NOT NULL,
	"value" double precision NOT NULL,
	CONSTRAINT "readings_site_id_machine_id_taken_at_stop_id_quantity_position_pk" PRIMARY KEY("site_id","machine_id","taken_at","stop_id","quantity","position")
) PARTITION BY RANGE ("taken_at");
--> statement-breakpoint
CREATE TABLE "sites" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "sites_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "stops" (
	"id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	"by" text NOT NULL,
	"by_id" uuid,
	"state" jsonb NOT NULL,
	"note" text NOT NULL,
	"supersedes" uuid,
	"reason" text NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "stops_site_id_machine_id_taken_at_id_pk" PRIMARY KEY("site_id","machine_id","taken_at","id")
) PARTITION BY RANGE ("taken_at");
--> statement-breakpoint
CREATE TABLE "supersessions" (
	"old_stop_id" uuid PRIMARY KEY NOT NULL,
	"new_stop_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL
);
--> statement-breakpoint
CREATE TABLE "units" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"area_id" uuid NOT NULL,
	"tag" text NOT NULL,
	"kind" text NOT NULL,
	"model_line" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "work" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"done_at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	"by" text NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "areas" ADD CONSTRAINT "areas_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "components" ADD CONSTRAINT "components_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "components" ADD CONSTRAINT "components_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitations" ADD CONSTRAINT "invitations_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machine_states" ADD CONSTRAINT "machine_states_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machines" ADD CONSTRAINT "machines_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machines" ADD CONSTRAINT "machines_unit_id_units_id_fk" FOREIGN KEY ("unit_id") REFERENCES "public"."units"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "units" ADD CONSTRAINT "units_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "units" ADD CONSTRAINT "units_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at");--> statement-breakpoint
CREATE INDEX "audit_entity" ON "audit" USING btree ("entity_id","at");--> statement-breakpoint
CREATE INDEX "components_machine" ON "components" USING btree ("machine_id","slot");--> statement-breakpoint
CREATE UNIQUE INDEX "components_one_in_place" ON "components" USING btree ("machine_id","slot") WHERE "components"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "machine_states_need" ON "machine_states" USING btree ("need" DESC NULLS LAST,"due_at","sort_key");--> statement-breakpoint
CREATE INDEX "machine_states_site" ON "machine_states" USING btree ("site_id","area_id");--> statement-breakpoint
CREATE UNIQUE INDEX "machines_tag" ON "machines" USING btree ("unit_id",lower("tag"));--> statement-breakpoint
CREATE INDEX "stops_id" ON "stops" USING btree ("id");--> statement-breakpoint
CREATE UNIQUE INDEX "units_tag" ON "units" USING btree ("site_id",lower("tag"));--> statement-breakpoint
CREATE INDEX "work_machine" ON "work" USING btree ("machine_id","done_at");