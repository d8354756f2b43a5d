CREATE TABLE "weather_reading" (
	"series_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"air_c" double precision,
	"rh" double precision,
	"wind_ms" double precision,
	"rain_mm" double precision,
	"rain_at" timestamp with time zone NOT NULL,
	"surface_c" double precision,
	"cloud_tenths" double precision,
	CONSTRAINT "weather_reading_series_id_at_pk" PRIMARY KEY("series_id","at")
);
--> statement-breakpoint
CREATE TABLE "change_notice" (
	"n" bigint PRIMARY KEY NOT NULL,
	"changes" jsonb NOT NULL,
	"process" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "domain_version" (
	"domain" text PRIMARY KEY NOT NULL,
	"n" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "file_chunk" (
	"content_id" uuid NOT NULL,
	"no" integer NOT NULL,
	"data" "bytea" NOT NULL,
	CONSTRAINT "file_chunk_content_id_no_pk" PRIMARY KEY("content_id","no")
);
--> statement-breakpoint
CREATE TABLE "rate_count" (
	"key" text PRIMARY KEY NOT NULL,
	"hits" integer NOT NULL,
	"ends_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "revision" (
	"id" integer PRIMARY KEY NOT NULL,
	"n" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stored_file" (
	"name" text PRIMARY KEY NOT NULL,
	"content_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"bytes" bigint NOT NULL
);
--> statement-breakpoint
DROP INDEX "weather_series_by_issue";--> statement-breakpoint
ALTER TABLE "station" ADD COLUMN "rain_interval" text DEFAULT 'after' NOT NULL;--> statement-breakpoint
ALTER TABLE "station" ADD COLUMN "asked_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "weather_series" ADD COLUMN "continuous" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "weather_reading" ADD CONSTRAINT "weather_reading_series_id_weather_series_id_fk" FOREIGN KEY ("series_id") REFERENCES "public"."weather_series"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "weather_reading_by_time" ON "weather_reading" USING btree ("at");--> statement-breakpoint
CREATE INDEX "change_notice_by_time" ON "change_notice" USING btree ("at");--> statement-breakpoint
CREATE INDEX "domain_version_by_n" ON "domain_version" USING btree ("n");--> statement-breakpoint
CREATE INDEX "rate_count_by_end" ON "rate_count" USING btree ("ends_at");--> statement-breakpoint
CREATE INDEX "boat_by_calendar" ON "boat" USING btree ("calendar_hash");--> statement-breakpoint
CREATE INDEX "shift_by_time" ON "shift" USING btree ("at");--> statement-breakpoint
CREATE INDEX "weather_series_by_station" ON "weather_series" USING btree ("station_id","issued_at");--> statement-breakpoint
CREATE UNIQUE INDEX "weather_series_continuous" ON "weather_series" USING btree ("station_id","kind") WHERE "weather_series"."continuous";--> statement-breakpoint
CREATE INDEX "write_seen_by_time" ON "write_seen" USING btree ("at");--> statement-breakpoint
CREATE INDEX "movement_by_area" ON "lot_movement" USING btree ("area_id");--> statement-breakpoint
CREATE INDEX "offer_by_supplier" ON "offer" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "purchase_by_supplier" ON "purchase" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "weather_series_by_issue" ON "weather_series" USING btree ("kind","issued_at");--> statement-breakpoint
ALTER TABLE "log_entry" DROP COLUMN "person";--> statement-breakpoint
ALTER TABLE "log_entry" DROP COLUMN "device";--> statement-breakpoint
-- What each past hour was last forecast as, of issues kept so far: one series for each station of forecasts.
INSERT INTO "weather_series" ("id", "source", "kind", "station_id", "issued_at", "continuous")
SELECT gen_random_uuid(), max("source"), 'forecast', "station_id", max("issued_at") - interval '1 millisecond', true
FROM "weather_series" WHERE "kind" = 'forecast' AND "station_id" IS NOT NULL GROUP BY "station_id";--> statement-breakpoint
INSERT INTO "weather_hour" ("series_id", "at", "air_c", "rh", "wind_ms", "rain_mm", "surface_c", "cloud_tenths")
SELECT DISTINCT ON ("o"."id", "h"."at") "o"."id", "h"."at", "h"."air_c", "h"."rh", "h"."wind_ms", "h"."rain_mm", "h"."surface_c", "h"."cloud_tenths"
FROM "weather_hour" "h"
JOIN "weather_series" "s" ON "s"."id" = "h"."series_id" AND "s"."kind" = 'forecast' AND NOT "s"."continuous"
JOIN "weather_series" "o" ON "o"."station_id" = "s"."station_id" AND "o"."continuous"
WHERE "h"."at" <= now() ORDER BY "o"."id", "h"."at", "s"."issued_at" DESC;
