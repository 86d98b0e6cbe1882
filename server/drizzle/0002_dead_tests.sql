ALTER TABLE "machines" ADD COLUMN "controls" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "how" text;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "spread" double precision;--> statement-breakpoint
ALTER TABLE "stops" ADD COLUMN "answers" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "stops" ADD COLUMN "passes" jsonb DEFAULT '[]'::jsonb NOT NULL;