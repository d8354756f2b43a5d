ALTER TABLE "boat" ALTER COLUMN "loa_m" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "boat" ALTER COLUMN "lwl_m" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "boat" ALTER COLUMN "beam_m" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "boat" ALTER COLUMN "draught_m" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "boat" ALTER COLUMN "freeboard_m" DROP NOT NULL;