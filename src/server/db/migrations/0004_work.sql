ALTER TABLE "step" ADD COLUMN "band" jsonb;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "lay_order" text;--> statement-breakpoint
UPDATE "step" SET "before" = (
	SELECT jsonb_agg(task || jsonb_build_object('id', overlay(gen_random_uuid()::text placing '7' from 15)) ORDER BY place)
	FROM jsonb_array_elements("before") WITH ORDINALITY AS tasks(task, place)
) WHERE jsonb_array_length("before") > 0;--> statement-breakpoint
UPDATE "own_template" SET "steps" = (
	SELECT jsonb_agg(
		one || jsonb_build_object('band', null, 'order', null, 'before', (
			SELECT coalesce(jsonb_agg(task || jsonb_build_object('id', overlay(gen_random_uuid()::text placing '7' from 15)) ORDER BY at), '[]'::jsonb)
			FROM jsonb_array_elements(one -> 'before') WITH ORDINALITY AS tasks(task, at)
		)) ORDER BY place)
	FROM jsonb_array_elements("steps") WITH ORDINALITY AS all_steps(one, place)
) WHERE jsonb_array_length("steps") > 0;
