CREATE TABLE "mails" (
	"id" uuid PRIMARY KEY NOT NULL,
	"to" text NOT NULL,
	"subject" text NOT NULL,
	"body" text,
	"attachments" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"sent_at" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_at" timestamp with time zone NOT NULL,
	"problem" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "quote_links" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"offer_id" uuid NOT NULL,
	"name" text NOT NULL,
	"email" text,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "quote_links" ADD CONSTRAINT "quote_links_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "mails_next" ON "mails" USING btree ("sent_at","next_at");--> statement-breakpoint
CREATE INDEX "mails_made" ON "mails" USING btree ("made_at");--> statement-breakpoint
CREATE INDEX "quote_links_job" ON "quote_links" USING btree ("job_id");