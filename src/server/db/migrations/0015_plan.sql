CREATE TABLE "plan_setup" (
	"yard_id" uuid PRIMARY KEY NOT NULL,
	"setup" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "plan_setup" ADD CONSTRAINT "plan_setup_yard_id_yard_id_fk" FOREIGN KEY ("yard_id") REFERENCES "public"."yard"("id") ON DELETE no action ON UPDATE no action;