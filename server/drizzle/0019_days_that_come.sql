ALTER TABLE "machine_states" ADD COLUMN "turns_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "machine_versions" ADD COLUMN "turned_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "machine_states_turns" ON "machine_states" USING btree ("turns_at") WHERE turns_at is not null;