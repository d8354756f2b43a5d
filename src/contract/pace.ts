import Joi from 'joi';
import type { HandFinding, LearnedPace } from '../core/cure/index.ts';
import type { Method } from '../core/film/index.ts';
import { t } from '../words.ts';
import { between, objectOf } from './joi.ts';
import { methods } from './methods.ts';
import { figure, flag, listOf, maybeFigure, moment, uuid, word } from './replies/plain.ts';

/** A film of a product that the hand tested, and the paces its tests allow. */
export interface TestedFilm {
  areaId: string;
  areaName: string;
  boatName: string;
  appliedTo: string;
  found: HandFinding[];
  low: number;
  high: number;
  /** Its tests contradict each other, or its sheet states no time they could correct: it teaches nothing. */
  teaches: boolean;
}

/** How a product cures here by one method. */
export interface MethodPace extends LearnedPace {
  method: Method;
  tested: TestedFilm[];
  /** The curing speed in use; null: cure times follow the data sheet. */
  taken: { factor: number; films: number; at: string } | null;
}

export interface PaceView {
  productId: string;
  methods: MethodPace[];
}

/** The curing speed to use, as the page suggested it; null: cure times follow the data sheet again. */
export interface PaceInput {
  method: Method;
  factor: number | null;
}
export const paceInput = objectOf<PaceInput>({
  method: methods.label(t`method`).required(),
  factor: between(t`Curing speed`, 0.25, 4).allow(null).required(),
});

const testedFilm = objectOf<TestedFilm>({
  areaId: uuid(),
  areaName: word(),
  boatName: word(),
  appliedTo: moment(),
  found: listOf(Joi.string()),
  low: figure(),
  high: figure(),
  teaches: flag(),
});

export const paceReply = objectOf<PaceView>({
  productId: uuid(),
  methods: listOf(
    objectOf<MethodPace>({
      method: Joi.string().required(),
      films: figure(),
      agree: flag(),
      factor: maybeFigure(),
      low: figure(),
      high: figure(),
      tested: listOf(testedFilm),
      taken: Joi.object({ factor: figure(), films: figure(), at: moment() }).allow(null).required(),
    }),
  ),
});
