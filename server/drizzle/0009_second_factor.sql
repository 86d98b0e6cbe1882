CREATE TABLE "recovery_codes" (
	"person_id" uuid NOT NULL,
	"code_hash" text NOT NULL,
	CONSTRAINT "recovery_codes_person_id_code_hash_pk" PRIMARY KEY("person_id","code_hash")
);
--> statement-breakpoint
CREATE TABLE "second_factors" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"step" bigint NOT NULL
);
--> statement-breakpoint
ALTER TABLE "recovery_codes" ADD CONSTRAINT "recovery_codes_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "second_factors" ADD CONSTRAINT "second_factors_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;