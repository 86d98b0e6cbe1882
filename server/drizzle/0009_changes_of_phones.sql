ALTER TABLE "audit" ADD COLUMN "change_id" uuid;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_change" UNIQUE("change_id");