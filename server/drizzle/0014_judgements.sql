CREATE TABLE "judgements" (
	"machine_id" uuid PRIMARY KEY NOT NULL,
	"ground" text NOT NULL,
	"judgement" json NOT NULL
);
--> statement-breakpoint
ALTER TABLE "judgements" ADD CONSTRAINT "judgements_machine_id_machines_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machines"("id") ON DELETE no action ON UPDATE no action;