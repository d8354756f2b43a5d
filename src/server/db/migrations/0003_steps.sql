CREATE TABLE "own_template" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"steps" jsonb NOT NULL,
	"archived" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "signal" text;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "extra_coats" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "before" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "sand_between" integer;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "overrule" jsonb;