CREATE TABLE "area" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"side" text NOT NULL,
	"substrate" text NOT NULL,
	"service" text NOT NULL,
	"surroundings" jsonb NOT NULL,
	"measures" jsonb NOT NULL,
	"spread" double precision NOT NULL,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"stack_version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "boat" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"loa_m" double precision NOT NULL,
	"lwl_m" double precision NOT NULL,
	"beam_m" double precision NOT NULL,
	"draught_m" double precision NOT NULL,
	"freeboard_m" double precision NOT NULL,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_entry" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"area_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	"corrects" uuid,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "product" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "product_sheet" (
	"product_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"sheet" jsonb NOT NULL,
	CONSTRAINT "product_sheet_product_id_version_pk" PRIMARY KEY("product_id","version")
);
--> statement-breakpoint
CREATE TABLE "shift" (
	"id" uuid PRIMARY KEY NOT NULL,
	"area_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "step" (
	"id" uuid PRIMARY KEY NOT NULL,
	"area_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"product_id" uuid NOT NULL,
	"coats" integer NOT NULL,
	"dry_microns_per_coat" double precision NOT NULL,
	"method" text NOT NULL,
	"thinner" double precision NOT NULL,
	"colours" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "weather_hour" (
	"source" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"air_c" double precision NOT NULL,
	"rh" double precision NOT NULL,
	"wind_ms" double precision,
	"rain_mm" double precision,
	"surface_c" double precision,
	"simulated" boolean NOT NULL,
	CONSTRAINT "weather_hour_source_at_pk" PRIMARY KEY("source","at")
);
--> statement-breakpoint
CREATE TABLE "yard" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"latitude" double precision NOT NULL,
	"longitude" double precision NOT NULL,
	"demo_laid_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "area" ADD CONSTRAINT "area_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_entry_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_entry_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_entry_corrects_log_entry_id_fk" FOREIGN KEY ("corrects") REFERENCES "public"."log_entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "product_sheet" ADD CONSTRAINT "product_sheet_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shift" ADD CONSTRAINT "shift_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step" ADD CONSTRAINT "step_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step" ADD CONSTRAINT "step_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "area_by_boat" ON "area" USING btree ("boat_id");--> statement-breakpoint
CREATE INDEX "log_by_area" ON "log_entry" USING btree ("area_id","kind","at");--> statement-breakpoint
CREATE INDEX "log_by_boat" ON "log_entry" USING btree ("boat_id","at");--> statement-breakpoint
CREATE INDEX "log_by_kind" ON "log_entry" USING btree ("kind","at");--> statement-breakpoint
CREATE UNIQUE INDEX "log_corrected_once" ON "log_entry" USING btree ("corrects");--> statement-breakpoint
CREATE INDEX "shift_by_area" ON "shift" USING btree ("area_id","at");--> statement-breakpoint
CREATE INDEX "step_by_area" ON "step" USING btree ("area_id","position");