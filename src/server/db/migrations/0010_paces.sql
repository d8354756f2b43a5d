CREATE TABLE "product_pace" (
	"product_id" uuid NOT NULL,
	"method" text NOT NULL,
	"factor" double precision NOT NULL,
	"films" integer NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	CONSTRAINT "product_pace_product_id_method_pk" PRIMARY KEY("product_id","method")
);
--> statement-breakpoint
ALTER TABLE "product_pace" ADD CONSTRAINT "product_pace_product_id_product_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."product"("id") ON DELETE no action ON UPDATE no action;