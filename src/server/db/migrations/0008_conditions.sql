ALTER TABLE "boat" ADD COLUMN "heading_deg" double precision;--> statement-breakpoint
ALTER TABLE "weather_hour" ADD COLUMN "cloud_tenths" double precision;