CREATE TABLE "area_plans" (
	"area_id" uuid PRIMARY KEY NOT NULL,
	"plan" jsonb NOT NULL,
	"version" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "calendar_links" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "calendar_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"stop_id" uuid,
	"check" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"type" text NOT NULL,
	"note" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"by" text NOT NULL
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
	"stop_id" uuid,
	"place" integer,
	"note" text NOT NULL,
	"by" text NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "round_stops" (
	"round_id" uuid NOT NULL,
	"machine_id" uuid NOT NULL,
	"tasks" jsonb NOT NULL,
	"minutes" double precision NOT NULL,
	"learnt" integer NOT NULL,
	"level_before" text,
	"added" boolean NOT NULL,
	CONSTRAINT "round_stops_round_id_machine_id_pk" PRIMARY KEY("round_id","machine_id")
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
	"plan" jsonb NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"closing" jsonb,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "units" ADD COLUMN "care" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "area_plans" ADD CONSTRAINT "area_plans_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "calendar_links" ADD CONSTRAINT "calendar_links_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_devices" ADD CONSTRAINT "round_devices_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_events" ADD CONSTRAINT "round_events_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_stops" ADD CONSTRAINT "round_stops_round_id_rounds_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."rounds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "round_stops" ADD CONSTRAINT "round_stops_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pictures_machine" ON "pictures" USING btree ("machine_id","taken_at");--> statement-breakpoint
CREATE INDEX "pictures_stop" ON "pictures" USING btree ("stop_id");--> statement-breakpoint
CREATE INDEX "round_events_round" ON "round_events" USING btree ("round_id","at");--> statement-breakpoint
CREATE INDEX "round_events_machine" ON "round_events" USING btree ("machine_id","kind");--> statement-breakpoint
CREATE INDEX "round_stops_machine" ON "round_stops" USING btree ("machine_id");--> statement-breakpoint
CREATE INDEX "rounds_day" ON "rounds" USING btree ("day");