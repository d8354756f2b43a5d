CREATE TABLE "boat_quote" (
	"boat_id" uuid PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"intro" text NOT NULL,
	"closing" text NOT NULL,
	"yard_days" double precision NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "lot" (
	"id" uuid PRIMARY KEY NOT NULL,
	"product_id" uuid NOT NULL,
	"part" text NOT NULL,
	"colour" text,
	"code" text NOT NULL,
	"unit" text NOT NULL,
	"made_on" date,
	"place" text NOT NULL,
	"frost" boolean NOT NULL,
	"heat" boolean NOT NULL,
	"note" text NOT NULL,
	"cost" bigint,
	"receipt_id" uuid,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "lot_unit" CHECK ("lot"."unit" in ('l', 'kg'))
);
--> statement-breakpoint
CREATE TABLE "lot_movement" (
	"id" uuid PRIMARY KEY NOT NULL,
	"lot_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"amount" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	"entry_id" uuid,
	"area_id" uuid,
	"note" text NOT NULL,
	"corrects" uuid,
	"together_id" uuid,
	CONSTRAINT "movement_amount" CHECK ("lot_movement"."amount" >= 0)
);
--> statement-breakpoint
CREATE TABLE "offer" (
	"id" uuid PRIMARY KEY NOT NULL,
	"product_id" uuid NOT NULL,
	"part" text,
	"colour" text,
	"litres" double precision NOT NULL,
	"price" bigint NOT NULL,
	"supplier_id" uuid,
	"discounts" jsonb NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "purchase" (
	"id" uuid PRIMARY KEY NOT NULL,
	"supplier_id" uuid,
	"ordered_at" timestamp with time zone NOT NULL,
	"due_on" date,
	"delivery" bigint NOT NULL,
	"note" text NOT NULL,
	"lines" jsonb NOT NULL,
	"received_at" timestamp with time zone,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "supplier" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"delivery" bigint NOT NULL,
	"min_order" bigint NOT NULL,
	"delivery_days" integer NOT NULL,
	"note" text NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "trade_setting" (
	"yard_id" uuid PRIMARY KEY NOT NULL,
	"settings" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "boat_quote" ADD CONSTRAINT "boat_quote_boat_id_boat_id_fk" FOREIGN KEY ("boat_id") REFERENCES "public"."boat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movement" ADD CONSTRAINT "lot_movement_lot_id_lot_id_fk" FOREIGN KEY ("lot_id") REFERENCES "public"."lot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movement" ADD CONSTRAINT "lot_movement_entry_id_log_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."log_entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movement" ADD CONSTRAINT "lot_movement_area_id_area_id_fk" FOREIGN KEY ("area_id") REFERENCES "public"."area"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movement" ADD CONSTRAINT "lot_movement_corrects_lot_movement_id_fk" FOREIGN KEY ("corrects") REFERENCES "public"."lot_movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase" ADD CONSTRAINT "purchase_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trade_setting" ADD CONSTRAINT "trade_setting_yard_id_yard_id_fk" FOREIGN KEY ("yard_id") REFERENCES "public"."yard"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "lot_by_product" ON "lot" USING btree ("product_id");--> statement-breakpoint
CREATE INDEX "lot_by_receipt" ON "lot" USING btree ("receipt_id");--> statement-breakpoint
CREATE INDEX "movement_by_lot" ON "lot_movement" USING btree ("lot_id","at");--> statement-breakpoint
CREATE INDEX "movement_by_time" ON "lot_movement" USING btree ("at");--> statement-breakpoint
CREATE INDEX "movement_by_entry" ON "lot_movement" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "movement_together" ON "lot_movement" USING btree ("together_id");--> statement-breakpoint
CREATE UNIQUE INDEX "movement_corrected_once" ON "lot_movement" USING btree ("corrects");--> statement-breakpoint
CREATE INDEX "offer_by_product" ON "offer" USING btree ("product_id");