ALTER TABLE "boat_quote" ADD COLUMN "number" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "boat_quote" ADD COLUMN "customer" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "boat_quote" ADD COLUMN "valid_days" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "boat_quote" ADD COLUMN "terms" text DEFAULT '' NOT NULL;