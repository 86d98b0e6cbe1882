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
	"changes" jsonb NOT NULL,
	"change_id" uuid,
	CONSTRAINT "audit_change" UNIQUE("change_id")
);
--> statement-breakpoint
CREATE TABLE "components" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"slot" text NOT NULL,
	"spec" jsonb NOT NULL,
	"installed_at" timestamp with time zone NOT NULL,
	"installed_by" text NOT NULL,
	"why" text NOT NULL,
	"substitute" boolean NOT NULL,
	"removed_at" timestamp with time zone,
	"removed_for" text,
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
	"conditions" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"found" jsonb,
	"confidence" text NOT NULL,
	"stale" boolean DEFAULT false NOT NULL,
	"rail" jsonb,
	"mean_volts" double precision,
	"load" double precision,
	"load_at" timestamp with time zone,
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
	"has_vfd" boolean NOT NULL,
	"has_twin" boolean NOT NULL,
	"controls" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"layout" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"unit_plate" jsonb,
	"retired_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "organization" (
	"id" integer PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"policies" jsonb NOT NULL,
	"policies_version" integer NOT NULL,
	"policies_by" text,
	"policies_at" timestamp with time zone,
	"judge_version" integer DEFAULT 0 NOT NULL
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
	"visit_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	"position" text NOT NULL,
	"value" double precision NOT NULL,
	"how" text,
	"spread" double precision,
	CONSTRAINT "readings_site_id_machine_id_taken_at_visit_id_quantity_position_pk" PRIMARY KEY("site_id","machine_id","taken_at","visit_id","quantity","position")
) PARTITION BY RANGE ("taken_at");
--> statement-breakpoint
CREATE TABLE "sites" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"hertz" smallint,
	"units" text DEFAULT 'us' NOT NULL,
	"paper" text DEFAULT 'letter' NOT NULL,
	"week_start" text DEFAULT 'sunday' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "sites_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "speed_changes" (
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
CREATE TABLE "supersessions" (
	"old_visit_id" uuid PRIMARY KEY NOT NULL,
	"new_visit_id" uuid NOT NULL,
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
	"care" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	"by" text NOT NULL,
	"by_id" uuid,
	"state" jsonb NOT NULL,
	"answers" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"passes" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"note" text NOT NULL,
	"supersedes" uuid,
	"reason" text NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "visits_site_id_machine_id_taken_at_id_pk" PRIMARY KEY("site_id","machine_id","taken_at","id")
) PARTITION BY RANGE ("taken_at");
--> statement-breakpoint
CREATE TABLE "work" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"done_at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	"turns" jsonb,
	"by" text NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "calendar_links" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "calendar_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
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
	"visit_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"level" text NOT NULL,
	"text" text NOT NULL,
	"owner" text NOT NULL,
	"review_on" date,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "map_pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"area_id" uuid NOT NULL,
	"type" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"visit_id" uuid,
	"check" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"type" text NOT NULL,
	"note" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "roof_maps" (
	"area_id" uuid PRIMARY KEY NOT NULL,
	"map" jsonb NOT NULL,
	"version" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "round_devices" (
	"round_id" uuid NOT NULL,
	"device" text NOT NULL,
	"by" text NOT NULL,
	"since" timestamp with time zone NOT NULL,
	"holds" integer NOT NULL,
	CONSTRAINT "round_devices_round_id_device_pk" PRIMARY KEY("round_id","device")
);
--> statement-breakpoint
CREATE TABLE "round_events" (
	"id" uuid PRIMARY KEY NOT NULL,
	"round_id" uuid NOT NULL,
	"machine_id" uuid,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"visit_id" uuid,
	"place" integer,
	"note" text NOT NULL,
	"by" text NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "round_visits" (
	"round_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"tasks" jsonb NOT NULL,
	"minutes" double precision NOT NULL,
	"learnt" integer NOT NULL,
	"level_before" text,
	"added" boolean NOT NULL,
	CONSTRAINT "round_visits_round_id_machine_id_pk" PRIMARY KEY("round_id","machine_id")
);
--> statement-breakpoint
CREATE TABLE "rounds" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"day" date NOT NULL,
	"site_ids" uuid[] NOT NULL,
	"people" jsonb NOT NULL,
	"heat" jsonb,
	"storm" integer,
	"recurs" jsonb,
	"note" text NOT NULL,
	"route" jsonb NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"closing" jsonb,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "areas" ADD CONSTRAINT "areas_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "components" ADD CONSTRAINT "components_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "components" ADD CONSTRAINT "components_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitations" ADD CONSTRAINT "invitations_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machine_states" ADD CONSTRAINT "machine_states_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machines" ADD CONSTRAINT "machines_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machines" ADD CONSTRAINT "machines_unit_id_units_id_fk" FOREIGN KEY ("unit_id") REFERENCES "public"."units"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "speed_changes" ADD CONSTRAINT "speed_changes_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "speed_changes" ADD CONSTRAINT "speed_changes_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "units" ADD CONSTRAINT "units_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "units" ADD CONSTRAINT "units_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "calendar_links" ADD CONSTRAINT "calendar_links_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "condition_closings" ADD CONSTRAINT "condition_closings_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding_steps" ADD CONSTRAINT "finding_steps_finding_id_findings_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."findings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "map_pictures" ADD CONSTRAINT "map_pictures_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roof_maps" ADD CONSTRAINT "roof_maps_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_devices" ADD CONSTRAINT "round_devices_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_events" ADD CONSTRAINT "round_events_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_visits" ADD CONSTRAINT "round_visits_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_visits" ADD CONSTRAINT "round_visits_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at");--> statement-breakpoint
CREATE INDEX "audit_entity" ON "audit" USING btree ("entity_id","at");--> statement-breakpoint
CREATE INDEX "components_machine" ON "components" USING btree ("machine_id","slot");--> statement-breakpoint
CREATE UNIQUE INDEX "components_one_in_place" ON "components" USING btree ("machine_id","slot") WHERE "components"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "machine_states_stale" ON "machine_states" USING btree ("machine_id") WHERE stale;--> statement-breakpoint
CREATE INDEX "machine_states_need" ON "machine_states" USING btree ("need" DESC NULLS LAST,"due_at","sort_key");--> statement-breakpoint
CREATE INDEX "machine_states_site" ON "machine_states" USING btree ("site_id","area_id");--> statement-breakpoint
CREATE UNIQUE INDEX "machines_tag" ON "machines" USING btree ("unit_id",lower("tag"));--> statement-breakpoint
CREATE INDEX "speed_changes_machine" ON "speed_changes" USING btree ("machine_id","made_at");--> statement-breakpoint
CREATE INDEX "speed_changes_done" ON "speed_changes" USING btree ("done_at");--> statement-breakpoint
CREATE UNIQUE INDEX "units_tag" ON "units" USING btree ("site_id",lower("tag"));--> statement-breakpoint
CREATE INDEX "visits_id" ON "visits" USING btree ("id");--> statement-breakpoint
CREATE INDEX "work_machine" ON "work" USING btree ("machine_id","done_at");--> statement-breakpoint
CREATE INDEX "condition_closings_machine" ON "condition_closings" USING btree ("machine_id");--> statement-breakpoint
CREATE INDEX "finding_steps_finding" ON "finding_steps" USING btree ("finding_id");--> statement-breakpoint
CREATE INDEX "findings_machine" ON "findings" USING btree ("machine_id");--> statement-breakpoint
CREATE INDEX "pictures_machine" ON "pictures" USING btree ("machine_id","taken_at");--> statement-breakpoint
CREATE INDEX "pictures_visit" ON "pictures" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "round_events_round" ON "round_events" USING btree ("round_id","at");--> statement-breakpoint
CREATE INDEX "round_events_machine" ON "round_events" USING btree ("machine_id","kind");--> statement-breakpoint
CREATE INDEX "round_visits_machine" ON "round_visits" USING btree ("machine_id");--> statement-breakpoint
CREATE INDEX "rounds_day" ON "rounds" USING btree ("day");