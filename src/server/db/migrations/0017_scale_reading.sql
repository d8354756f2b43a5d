CREATE TABLE "scale_reading" (
	"scale_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"grams" double precision NOT NULL,
	CONSTRAINT "scale_reading_scale_id_at_pk" PRIMARY KEY("scale_id","at")
);
--> statement-breakpoint
CREATE INDEX "scale_reading_by_time" ON "scale_reading" USING btree ("at");