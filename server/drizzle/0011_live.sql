CREATE TABLE "live_chunks" (
	"day" integer NOT NULL,
	"series" integer NOT NULL,
	"n" smallint NOT NULL,
	"hours" "bytea" NOT NULL,
	"minutes" "bytea",
	CONSTRAINT "live_chunks_series_day_pk" PRIMARY KEY("series","day")
) PARTITION BY RANGE ("day");
--> statement-breakpoint
CREATE TABLE "live_days" (
	"machine_id" uuid NOT NULL,
	"day" date NOT NULL,
	"summary" jsonb NOT NULL,
	CONSTRAINT "live_days_machine_id_day_pk" PRIMARY KEY("machine_id","day")
);
--> statement-breakpoint
CREATE TABLE "live_dirty" (
	"machine_id" uuid NOT NULL,
	"day" date NOT NULL,
	"due" timestamp with time zone NOT NULL,
	CONSTRAINT "live_dirty_machine_id_day_pk" PRIMARY KEY("machine_id","day")
);
--> statement-breakpoint
CREATE TABLE "live_files" (
	"id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"report" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "live_off_hours" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"off_hours" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "live_points" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"machine_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	"unit" text NOT NULL,
	"factor" double precision NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "live_points_name_unique" UNIQUE("name"),
	CONSTRAINT "live_points_once" UNIQUE("machine_id","quantity")
);
--> statement-breakpoint
CREATE TABLE "live_series" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "live_series_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"machine_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	CONSTRAINT "live_series_once" UNIQUE("machine_id","quantity")
);
--> statement-breakpoint
CREATE TABLE "live_states" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"evidence" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "vfd_links" ADD COLUMN "live" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "live_days" ADD CONSTRAINT "live_days_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_dirty" ADD CONSTRAINT "live_dirty_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_off_hours" ADD CONSTRAINT "live_off_hours_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_points" ADD CONSTRAINT "live_points_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_series" ADD CONSTRAINT "live_series_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_states" ADD CONSTRAINT "live_states_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "live_dirty_due" ON "live_dirty" USING btree ("due");--> statement-breakpoint
CREATE INDEX "live_files_at" ON "live_files" USING btree ("at");--> statement-breakpoint
-- Packed already.
ALTER TABLE live_chunks ALTER COLUMN minutes SET STORAGE EXTERNAL;--> statement-breakpoint
DO $$
BEGIN
  FOR y IN 2015..2039 LOOP
    EXECUTE format('CREATE TABLE live_chunks_%s PARTITION OF live_chunks FOR VALUES FROM (%s) TO (%s)', y, make_date(y, 1, 1) - DATE '1970-01-01', make_date(y + 1, 1, 1) - DATE '1970-01-01');
  END LOOP;
END $$;--> statement-breakpoint
CREATE TABLE live_chunks_other PARTITION OF live_chunks DEFAULT;--> statement-breakpoint
-- What judging takes has a version, like the facts.
CREATE TRIGGER live_states_version_insert AFTER INSERT ON live_states REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();--> statement-breakpoint
CREATE TRIGGER live_states_version_update AFTER UPDATE ON live_states REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION machines_changed();
