ALTER TABLE "area" ADD COLUMN "estimates" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "area" ADD COLUMN "chosen_way" text;