CREATE INDEX "machine_states_counts" ON "machine_states" USING btree ("site_id","need","due_at") WHERE not retired;--> statement-breakpoint
-- Counted off its index only where a page of the table is known to be seen by all: swept after every fiftieth row, not every fifth.
ALTER TABLE "machine_states" SET (autovacuum_vacuum_scale_factor = 0.02, autovacuum_vacuum_insert_scale_factor = 0.02);
