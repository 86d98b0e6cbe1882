ALTER TABLE "machine_states" DROP COLUMN "found";--> statement-breakpoint
ALTER TABLE "machine_states" DROP COLUMN "confidence";--> statement-breakpoint
ALTER TABLE "machine_states" DROP COLUMN "rail";--> statement-breakpoint
ALTER TABLE "machine_states" DROP COLUMN "mean_volts";--> statement-breakpoint
ALTER TABLE "machine_states" DROP COLUMN "spark";