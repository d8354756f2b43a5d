ALTER TABLE "step" ADD COLUMN "sand_grits" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "spacing_h" double precision;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "coat_notes" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "own_ratio" jsonb;