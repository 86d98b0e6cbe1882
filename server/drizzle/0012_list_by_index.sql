DROP INDEX "machine_states_need";--> statement-breakpoint
CREATE INDEX "machine_states_tag" ON "machine_states" USING btree ("sort_key") WHERE not retired;--> statement-breakpoint
CREATE INDEX "machine_states_seen" ON "machine_states" USING btree ("seen_at" NULLS FIRST,"sort_key") WHERE not retired;--> statement-breakpoint
CREATE INDEX "machine_states_need" ON "machine_states" USING btree ("need" DESC NULLS FIRST,"due_at" NULLS FIRST,"sort_key") WHERE not retired;