CREATE TABLE "station" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"gives" text NOT NULL,
	"way" text NOT NULL,
	"url" text,
	"every_min" integer NOT NULL,
	"private_net" boolean NOT NULL,
	"is_on" boolean NOT NULL,
	"rank" integer NOT NULL,
	"token_hash" text,
	"last_at" timestamp with time zone,
	"last_hours" integer,
	"fault" text,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "boat" ADD COLUMN "calendar_hash" text;--> statement-breakpoint
ALTER TABLE "weather_series" ADD COLUMN "station_id" uuid;--> statement-breakpoint
ALTER TABLE "weather_series" ADD CONSTRAINT "weather_series_station_id_station_id_fk" FOREIGN KEY ("station_id") REFERENCES "public"."station"("id") ON DELETE no action ON UPDATE no action;