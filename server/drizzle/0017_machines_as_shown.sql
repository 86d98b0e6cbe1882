ALTER TABLE "machine_states" ADD COLUMN "shown" text NOT NULL DEFAULT '{}';--> statement-breakpoint
-- All machines are judged again, and this is written with it, before the server answers anybody.
ALTER TABLE "machine_states" ALTER COLUMN "shown" DROP DEFAULT;
