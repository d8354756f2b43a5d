CREATE TABLE "batch_use" (
	"entry_id" uuid NOT NULL,
	"batch_id" uuid NOT NULL,
	CONSTRAINT "batch_use_entry_id_batch_id_pk" PRIMARY KEY("entry_id","batch_id")
);
--> statement-breakpoint
CREATE TABLE "weather_series" (
	"id" uuid PRIMARY KEY NOT NULL,
	"source" text NOT NULL,
	"kind" text NOT NULL,
	"issued_at" timestamp with time zone NOT NULL,
	CONSTRAINT "weather_series_kind" CHECK ("weather_series"."kind" in ('measured', 'forecast', 'simulated'))
);
--> statement-breakpoint
CREATE TABLE "write_seen" (
	"key" text PRIMARY KEY NOT NULL,
	"body_hash" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "photo" ALTER COLUMN "bytes" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "hull_form" ADD COLUMN "mesh_file" text;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "step_id" uuid;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "coat_no" integer;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "product_id" uuid;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "sheet_version" integer;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "litres" double precision;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "area_m2" double precision;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "ended_at" timestamp with time zone;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "person" text;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD COLUMN "device" text;
--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "hash" text;
--> statement-breakpoint
ALTER TABLE "weather_hour" ADD COLUMN "series_id" uuid;
--> statement-breakpoint
-- Facts that others count by move from the bodies of entries to columns.
UPDATE "log_entry" SET
	"step_id" = ("body" ->> 'stepId')::uuid,
	"coat_no" = ("body" ->> 'coatNo')::integer,
	"product_id" = ("body" ->> 'productId')::uuid,
	"sheet_version" = ("body" ->> 'sheetVersion')::integer,
	"litres" = ("body" ->> 'litres')::double precision,
	"area_m2" = ("body" ->> 'areaM2')::double precision,
	"ended_at" = ("body" ->> 'endedAt')::timestamp with time zone;
--> statement-breakpoint
INSERT INTO "batch_use" ("entry_id", "batch_id")
	SELECT DISTINCT "entry"."id", "batch"."id" FROM "log_entry" "entry"
	CROSS JOIN LATERAL jsonb_array_elements_text(CASE "entry"."kind"
		WHEN 'coat' THEN "entry"."body" -> 'batchIds' ELSE jsonb_build_array("entry"."body" -> 'batchId') END) "named"("id")
	JOIN "log_entry" "batch" ON "batch"."id" = "named"."id"::uuid AND "batch"."kind" = 'batch'
	WHERE "entry"."kind" IN ('coat', 'batch-end');
--> statement-breakpoint
UPDATE "log_entry" SET "body" = "body" - '{stepId,coatNo,productId,sheetVersion,litres,areaM2,endedAt,batchIds,batchId}'::text[];
--> statement-breakpoint
-- What was kept of the air becomes series: one for each kind it was kept as.
INSERT INTO "weather_series" ("id", "source", "kind", "issued_at")
	SELECT gen_random_uuid(), CASE WHEN "simulated" THEN 'stand-in' ELSE 'file' END,
		CASE WHEN "simulated" THEN 'simulated' ELSE "source" END,
		coalesce(max("at") FILTER (WHERE "source" = 'measured'), min("at") - interval '1 hour')
	FROM "weather_hour" GROUP BY 2, 3;
--> statement-breakpoint
UPDATE "weather_hour" SET "series_id" = "s"."id" FROM "weather_series" "s"
	WHERE "s"."kind" = CASE WHEN "simulated" THEN 'simulated' ELSE "weather_hour"."source" END;
--> statement-breakpoint
-- An hour once forecast and then past was kept twice: as measured it counts.
DELETE FROM "weather_hour" "twice" USING "weather_hour" "kept"
	WHERE "twice"."simulated" AND "kept"."simulated" AND "twice"."at" = "kept"."at"
	AND "twice"."source" = 'forecast' AND "kept"."source" = 'measured';
--> statement-breakpoint
UPDATE "hull_form" SET "mesh_file" = "boat_id"::text || '.mesh' WHERE "mesh" IS NOT NULL AND jsonb_typeof("mesh") <> 'null';
--> statement-breakpoint
ALTER TABLE "weather_hour" ALTER COLUMN "series_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "weather_hour" DROP CONSTRAINT "weather_hour_source_at_pk";
--> statement-breakpoint
ALTER TABLE "weather_hour" DROP COLUMN "source";
--> statement-breakpoint
ALTER TABLE "weather_hour" DROP COLUMN "simulated";
--> statement-breakpoint
ALTER TABLE "weather_hour" ADD CONSTRAINT "weather_hour_series_id_at_pk" PRIMARY KEY("series_id","at");
--> statement-breakpoint
ALTER TABLE "batch_use" ADD CONSTRAINT "batch_use_entry_id_log_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."log_entry"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "batch_use" ADD CONSTRAINT "batch_use_batch_id_log_entry_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."log_entry"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "batch_use_by_batch" ON "batch_use" USING btree ("batch_id");
--> statement-breakpoint
CREATE INDEX "weather_series_by_issue" ON "weather_series" USING btree ("issued_at");
--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_entry_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_sheet" FOREIGN KEY ("product_id","sheet_version") REFERENCES "public"."product_sheet"("product_id","version") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "weather_hour" ADD CONSTRAINT "weather_hour_series_id_weather_series_id_fk" FOREIGN KEY ("series_id") REFERENCES "public"."weather_series"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "area_by_origin" ON "area" USING btree ("part_of");
--> statement-breakpoint
CREATE INDEX "bare_item_by_area" ON "bare_item" USING btree ("area_id");
--> statement-breakpoint
CREATE INDEX "finding_by_area" ON "finding" USING btree ("area_id");
--> statement-breakpoint
CREATE INDEX "log_by_product" ON "log_entry" USING btree ("product_id","sheet_version");
--> statement-breakpoint
CREATE INDEX "log_by_step" ON "log_entry" USING btree ("step_id","coat_no");
--> statement-breakpoint
CREATE INDEX "photo_by_boat" ON "photo" USING btree ("boat_id");
--> statement-breakpoint
CREATE INDEX "step_by_product" ON "step" USING btree ("product_id");
--> statement-breakpoint
CREATE INDEX "weather_hour_by_time" ON "weather_hour" USING btree ("at");
--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_facts" CHECK ("log_entry"."kind" not in ('coat', 'batch') or ("log_entry"."step_id" is not null and "log_entry"."coat_no" is not null and "log_entry"."product_id" is not null and "log_entry"."sheet_version" is not null and "log_entry"."litres" > 0));
--> statement-breakpoint
ALTER TABLE "log_entry" ADD CONSTRAINT "log_coat" CHECK ("log_entry"."kind" <> 'coat' or ("log_entry"."area_m2" > 0 and "log_entry"."ended_at" >= "log_entry"."at"));
