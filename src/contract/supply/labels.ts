import Joi from 'joi';
import { t } from '../../words.ts';
import { content, id, objectOf } from '../joi.ts';
import { figure } from '../replies/plain.ts';

/** Lots and sizes for a sheet of labels. */
export interface LabelsQuery {
  size?: string;
  lots?: string;
  areaId?: string;
}
export const LABEL_SIZES = ['large', 'medium', 'small'] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];
export const labelsQuery = objectOf<LabelsQuery>({
  size: Joi.string()
    .valid(...LABEL_SIZES)
    .label(t`Label size`),
  lots: Joi.string()
    .pattern(/^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,199}$/)
    .label(t`lots`),
  areaId: id().label(t`area`),
});

/** A stock count as a CSV file. */
export interface CsvInput {
  csv: string;
}
export interface CsvTaken {
  taken: number;
  same: number;
}
export const csvInput = objectOf<CsvInput>({
  csv: content('CSV', 2_000_000).required(),
});
export const csvTakenReply = objectOf<CsvTaken>({ taken: figure(), same: figure() });
