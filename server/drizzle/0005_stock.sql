CREATE TABLE "stock_items" (
	"id" uuid PRIMARY KEY NOT NULL,
	"code" text NOT NULL,
	"spec" jsonb NOT NULL,
	"price" double precision,
	"lead_days" integer,
	"min" integer,
	"max" integer,
	"note" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "stock_items_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "stock_moves" (
	"id" uuid PRIMARY KEY NOT NULL,
	"item_id" uuid NOT NULL,
	"place_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"count" integer NOT NULL,
	"to_place_id" uuid,
	"job_id" uuid,
	"tested" boolean,
	"condition" text NOT NULL,
	"note" text NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stock_places" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"site_id" uuid,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "stock_places_name_unique" UNIQUE("name")
);
--> statement-breakpoint
ALTER TABLE "stock_moves" ADD CONSTRAINT "stock_moves_item_id_stock_items_id_fk" FOREIGN KEY ("item_id") REFERENCES "public"."stock_items"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_moves" ADD CONSTRAINT "stock_moves_place_id_stock_places_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."stock_places"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_moves" ADD CONSTRAINT "stock_moves_to_place_id_stock_places_id_fk" FOREIGN KEY ("to_place_id") REFERENCES "public"."stock_places"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_places" ADD CONSTRAINT "stock_places_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stock_moves_item" ON "stock_moves" USING btree ("item_id","at");--> statement-breakpoint
CREATE TRIGGER stock_moves_stay BEFORE UPDATE OR DELETE ON stock_moves FOR EACH ROW EXECUTE FUNCTION facts_stay();