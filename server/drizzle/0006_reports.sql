CREATE TABLE "digest_addresses" (
	"email" text PRIMARY KEY NOT NULL,
	"added_by" text NOT NULL,
	"added_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "digests" (
	"week" date PRIMARY KEY NOT NULL,
	"made_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "level_days" (
	"site_id" uuid NOT NULL,
	"day" date NOT NULL,
	"ok" integer NOT NULL,
	"watch" integer NOT NULL,
	"fix" integer NOT NULL,
	"stop" integer NOT NULL,
	"unjudged" integer NOT NULL,
	CONSTRAINT "level_days_site_id_day_pk" PRIMARY KEY("site_id","day")
);
--> statement-breakpoint
ALTER TABLE "level_days" ADD CONSTRAINT "level_days_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;