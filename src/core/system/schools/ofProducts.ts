import type { Family } from '../families.ts';
import { ANTIFOULINGS, FILLERS, isIn, ONE_PACK_FOR, ONE_PACKS, TWO_PACK_FOR, TWO_PACKS } from '../groups.ts';
import type { StepTask } from '../step.ts';
import {
  agreed,
  familyOf,
  isOf,
  isSand,
  type Practice,
  type SchooledStep,
  swapped,
  withFirst,
  without,
  withProduct,
} from './practice.ts';

/** Schools of what is applied: which products, and in which order. */

export const packsPractice: Practice = {
  applies: (steps, place) => steps.some((step) => isOf([...ONE_PACKS, ...TWO_PACKS], step, place)),
  inForce: (steps, place) =>
    agreed(
      steps.flatMap((step) =>
        isOf(ONE_PACKS, step, place) ? ['one-pack'] : isOf(TWO_PACKS, step, place) ? ['two-pack'] : [],
      ),
    ),
  take: (steps, way, place) =>
    steps.map((step) =>
      swapped((family) => (way === 'one-pack' ? ONE_PACK_FOR : TWO_PACK_FOR)[family])(step, place),
    ),
};

const ANTIFOULING_WAYS: Record<string, Family> = {
  hard: 'hard-antifouling',
  ablative: 'ablative-antifouling',
};

export const antifoulingPractice: Practice = {
  applies: (steps, place) => steps.some((step) => isOf(Object.values(ANTIFOULING_WAYS), step, place)),
  inForce: (steps, place) =>
    Object.keys(ANTIFOULING_WAYS).find((way) =>
      steps
        .filter((step) => isOf(ANTIFOULINGS, step, place))
        .every((step) => familyOf(step, place) === ANTIFOULING_WAYS[way]),
    ) ?? null,
  take: (steps, way, place) =>
    steps.map((step) =>
      swapped((family) =>
        isIn(Object.values(ANTIFOULING_WAYS), family) ? ANTIFOULING_WAYS[way] : undefined,
      )(step, place),
    ),
};

const BLAST: StepTask = {
  kind: 'prepare',
  amount: null,
  note: 'blast to Sa 2½, salt below 50 mg/m², prime within 4 h',
};
const CONVERT: StepTask = {
  kind: 'prepare',
  amount: null,
  note: 'remove loose rust and grease, then brush in converter, one coat a day, while red shows',
};
/** Fully black and dry, then scuffed for the coat over it. */
const SCUFF: StepTask = { kind: 'sand', amount: 180, note: 'scuff the converter when it’s black and dry' };
const blasts = (task: StepTask): boolean => task.kind === 'prepare' && /\bblast/.test(task.note);

export const rustPractice: Practice = {
  applies: (steps, place) => place.substrate === 'steel' && place.bare && steps.length > 0,
  inForce: (steps, place) =>
    isOf(['rust-converter'], steps[0] as SchooledStep, place)
      ? 'convert'
      : steps[0]?.before.some(blasts)
        ? 'blast'
        : null,
  take: (steps, way, place) => {
    const coats = steps.filter((step) => !isOf(['rust-converter'], step, place));
    const [first] = coats;
    if (!first) return [...steps];
    const cleared = coats.map((step) => ({
      ...step,
      before: without(without(step, CONVERT), SCUFF).before.filter((task) => !blasts(task)),
    }));
    const [over, ...rest] = cleared;
    if (way === 'blast') return withFirst(cleared, BLAST);
    const converter = place.products.find(({ sheet }) => sheet.family === 'rust-converter');
    if (!converter || !over) return [...steps];
    const blank = {
      ...first,
      id: '',
      coats: 2,
      extraCoats: 0,
      signal: null,
      before: [CONVERT],
      sandBetween: null,
    };
    return [
      withProduct(blank, converter),
      { ...over, before: [SCUFF, ...over.before.filter((t) => !isSand(t))] },
      ...rest,
    ];
  },
};

const PRIMERS: readonly Family[] = ['epoxy-primer', 'surface-tolerant-epoxy', 'one-pack-primer'];

export const fillingPractice: Practice = {
  applies: (steps, place) =>
    steps.some((step) => isOf(FILLERS, step, place)) && steps.some((step) => isOf(PRIMERS, step, place)),
  inForce: (steps, place) => {
    const filler = steps.findIndex((step) => isOf(FILLERS, step, place));
    const primer = steps.findIndex((step) => isOf(PRIMERS, step, place));
    return filler < primer ? 'before' : 'after';
  },
  take: (steps, way, place) => {
    const isFiller = (step: SchooledStep) => isOf(FILLERS, step, place);
    const rest = steps.filter((step) => !isFiller(step));
    const primer = rest.findIndex((step) => isOf(PRIMERS, step, place));
    return rest.toSpliced(way === 'before' ? primer : primer + 1, 0, ...steps.filter(isFiller));
  },
};
