CREATE TABLE "plan_pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"area_id" uuid NOT NULL,
	"type" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "plan_pictures" ADD CONSTRAINT "plan_pictures_area_id_areas_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."areas"("id") ON DELETE no action ON UPDATE no action;