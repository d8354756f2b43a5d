import type { Method } from '../../film/index.ts';
import type { Family } from '../families.ts';
import { ANTIFOULINGS, isIn, TREATMENTS } from '../groups.ts';
import { filmOf, methodsOf } from '../sheet.ts';
import { type LayOrder, type StepTask, sandedBefore } from '../step.ts';
import {
  agreed,
  familyOf,
  isOf,
  isSand,
  type Practice,
  productOf,
  type SchooledStep,
  type SchoolPlace,
} from './practice.ts';

/** Schools of how a coat is applied, how thick, and what is done between coats. */

const METHODS: Record<string, readonly Method[]> = {
  spray: ['airless-spray', 'conventional-spray'],
  'roll-and-tip': ['roll-and-tip', 'roller', 'brush'],
  roll: ['roller', 'brush'],
};
const filmBy = (step: SchooledStep, place: SchoolPlace) => {
  const product = productOf(step, place);
  return product && filmOf(product.sheet, step.method);
};
const methodBy = (way: string, step: SchooledStep, place: SchoolPlace): Method | undefined => {
  const product = productOf(step, place);
  return METHODS[way]?.find((method) => product && methodsOf(product.sheet).includes(method));
};

/** A step applied by another method. Where the film differs, in as many coats as reach the same total. */
function appliedBy(step: SchooledStep, method: Method, place: SchoolPlace): SchooledStep {
  const applied = { ...step, method };
  const [was, film] = [filmBy(step, place), filmBy(applied, place)];
  if (!film || was === film) return applied;
  const total = step.coats * step.dryMicronsPerCoat;
  return {
    ...applied,
    coats: Math.max(1, Math.ceil(total / film.typical - 1e-9)),
    dryMicronsPerCoat: film.typical,
  };
}

export const applicationPractice: Practice = {
  applies: (steps) => steps.length > 0,
  inForce: (steps, place) =>
    ['roll', 'roll-and-tip', 'spray'].find((way) => {
      const wanted = steps.map((step) => methodBy(way, step, place));
      return (
        wanted.some((method) => method !== undefined) &&
        steps.every((step, i) => step.method === (wanted[i] ?? step.method))
      );
    }) ?? null,
  take: (steps, way, place) =>
    steps.map((step) => {
      const method = methodBy(way, step, place);
      return method === undefined || method === step.method ? step : appliedBy(step, method, place);
    }),
};

/** Coats that are applied thin or heavy: films, not what soaks in or is broadcast. */
const NO_FILM: readonly Family[] = [...TREATMENTS, 'penetrating-epoxy-sealer', 'non-skid'];
/** Coats that are never sanded for flatness between. */
const UNSANDED: readonly Family[] = [...NO_FILM, ...ANTIFOULINGS, 'tie-coat'];
const FINISHES: readonly Family[] = [
  'one-pack-enamel',
  'two-pack-polyurethane',
  'epoxy-finish',
  'waterborne-acrylic',
  'varnish',
];
/** A seal coat holds aggregate: sanded, it would be sanded off. */
const sealsAggregate = (step: { before: readonly StepTask[] }) =>
  step.before.some(({ kind }) => kind === 'aggregate');

/** Grit between coats, by what is sanded: high-build 120–220, finish 320 [T, handbook part 4]. */
const gritFor = (family: Family): number => (isIn(FINISHES, family) ? 320 : 180);

export const thicknessPractice: Practice = {
  applies: (steps, place) => steps.some((step) => !isOf(NO_FILM, step, place)),
  inForce: (steps, place) =>
    agreed(
      steps
        .filter((step) => !isOf(NO_FILM, step, place))
        .map((step) => (step.dryMicronsPerCoat > (filmBy(step, place)?.typical ?? 0) ? 'heavy' : 'thin')),
    ),
  take: (steps, way, place) =>
    steps.map((step) => {
      const film = filmBy(step, place);
      if (!film || isOf(NO_FILM, step, place)) return step;
      const total = step.coats * step.dryMicronsPerCoat;
      const coats = Math.max(1, Math.ceil(total / (way === 'heavy' ? film.max : film.typical) - 1e-9));
      return { ...step, coats, dryMicronsPerCoat: Math.max(film.min, Math.round(total / coats)) };
    }),
};

export const overcoatingPractice: Practice = {
  applies: (steps, place) => steps.some((step) => !isOf(UNSANDED, step, place) && !sealsAggregate(step)),
  inForce: (steps, place) => {
    const ways = steps.flatMap((step, i) => {
      if (isOf(UNSANDED, step, place) || sealsAggregate(step)) return [];
      const joints = Array.from({ length: Math.max(0, Math.floor(step.coats) - 1) }, (_, no) => no + 1);
      const between = joints.map((no) => sandedBefore(step, no) !== null);
      return i === 0 ? between : [...between, step.before.some(isSand)];
    });
    return agreed(ways.map((sanded) => (sanded ? 'sand' : 'tacky')));
  },
  take: (steps, way, place) =>
    steps.map((step, i) => {
      const family = familyOf(step, place);
      if (!family || isIn(UNSANDED, family) || sealsAggregate(step)) return step;
      if (way === 'tacky') {
        return {
          ...step,
          sandBetween: null,
          sandGrits: [],
          before: i === 0 ? step.before : step.before.filter((t) => !isSand(t)),
        };
      }
      const grit = gritFor(family);
      const sanding: StepTask = { kind: 'sand', amount: grit, note: '' };
      const before = i === 0 || step.before.some(isSand) ? step.before : [sanding, ...step.before];
      const everyJoint = step.sandGrits?.includes(null) ? [] : step.sandGrits;
      return {
        ...step,
        sandBetween: step.sandBetween ?? grit,
        ...(everyJoint && { sandGrits: everyJoint }),
        before,
      };
    }),
};

export const directionPractice: Practice = {
  applies: (steps) => steps.length > 0,
  inForce: (steps) => agreed(steps.map((step) => step.order)),
  take: (steps, way) => steps.map((step) => ({ ...step, order: way as LayOrder })),
};
