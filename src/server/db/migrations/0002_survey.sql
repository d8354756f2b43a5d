CREATE TABLE "bare_item" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"area_id" uuid,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "finding" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"area_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"value" double precision,
	"grade" text,
	"reading_limit" double precision,
	"place" jsonb,
	"photo_ids" jsonb NOT NULL,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "hull_form" (
	"boat_id" uuid PRIMARY KEY NOT NULL,
	"offsets" jsonb,
	"mesh" jsonb,
	"use" text,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"mime" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"taken_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stand" (
	"id" uuid PRIMARY KEY NOT NULL,
	"boat_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"side" text NOT NULL,
	"x_m" double precision NOT NULL,
	"z_m" double precision NOT NULL,
	"length_m" double precision NOT NULL,
	"width_m" double precision NOT NULL,
	"shift_on" text,
	"shifted_at" timestamp with time zone,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "waterline" (
	"boat_id" uuid PRIMARY KEY NOT NULL,
	"plan" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "area" ADD COLUMN "old_coating" text;--> statement-breakpoint
ALTER TABLE "area" ADD COLUMN "high_wear" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "area" ADD COLUMN "part_of" uuid;--> statement-breakpoint
ALTER TABLE "area" ADD COLUMN "part" jsonb;--> statement-breakpoint
ALTER TABLE "bare_item" ADD CONSTRAINT "bare_item_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bare_item" ADD CONSTRAINT "bare_item_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding" ADD CONSTRAINT "finding_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding" ADD CONSTRAINT "finding_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hull_form" ADD CONSTRAINT "hull_form_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stand" ADD CONSTRAINT "stand_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waterline" ADD CONSTRAINT "waterline_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bare_item_by_boat" ON "bare_item" USING btree ("boat_id");--> statement-breakpoint
CREATE INDEX "finding_by_boat" ON "finding" USING btree ("boat_id");--> statement-breakpoint
CREATE INDEX "stand_by_boat" ON "stand" USING btree ("boat_id");--> statement-breakpoint
ALTER TABLE "area" ADD CONSTRAINT "area_part_of_area_id_fk" FOREIGN KEY ("part_of") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;