import type {
  AlikeArea,
  BenchView,
  EntryInput,
  FieldError,
  LoggedConditions,
  Product,
  Step,
} from '../../contract/index.ts';
import type { Method } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { fromLocalField } from '../clock/say.ts';
import { type FormReader, refusals } from '../forms/canonical.ts';

/** What the form of a coat holds, as typed. */
export interface CoatValues {
  /** Of a product that comes in spray cans; else empty. */
  cans: string;
  litres: string;
  areaM2: string;
  start: string;
  end: string;
  method: Method;
  colour: string;
  thinner: string;
  by: string;
  note: string;
  /** m² covered of each other area that was applied in the same go. */
  others: Record<string, string>;
}

/** One of the areas that a coat was applied to in one go, and the part covered. */
export interface Part extends Pick<AlikeArea, 'areaId' | 'stepId' | 'coatNo' | 'leftM2' | 'litres'> {
  coveredM2: number;
  /** Its field in the form. */
  path: string;
}

/**
 * The share of the litres on each area, in proportion to the need of the covered part. More or less than the need was
 * applied everywhere alike.
 *
 * 3 l on 10 m² and 5 m² that need 0.2 l/m²: 2 l and 1 l.
 */
export function litresOn(
  parts: readonly Pick<Part, 'leftM2' | 'litres' | 'coveredM2'>[],
  used: number,
): number[] {
  if (parts.length === 1) return [used];
  const needs = parts.map(({ leftM2, litres, coveredM2 }) => (coveredM2 * litres) / leftM2);
  const all = needs.reduce((sum, need) => sum + need, 0);
  return needs.map((need) => (used * need) / all);
}

/**
 * Litres that the form of a coat begins with: what is mixed or needed. Of a part of the area what was noted as used, otherwise its
 * share: the litres of the whole area on a part would look like a thicker film. Of the whole area likewise, where the litres used
 * were noted once it was covered: what is left in the pots is not on it.
 *
 * 4 l on 3 of 8 sections: 1.5 l.
 */
export function litresLikely(
  whole: number | null,
  coveredShare: number,
  usedL: number | null,
  isUsedOfAll = false,
): number | null {
  if (coveredShare >= 1) return isUsedOfAll && usedL !== null ? usedL : whole;
  return usedL ?? (whole === null ? null : whole * coveredShare);
}

const NOTE_MOST = 2000;

/** What spoke against the coat, and the reason given. Where both are too long, the reason stays whole. */
export function noteWith(against: string, reason: string): string {
  const around = t`Applied although . `.length;
  return t`Applied although ${against.slice(0, Math.max(0, NOTE_MOST - around - reason.length))}. ${reason}`.trim();
}

/**
 * The entries of a coat as typed: one for each area it was applied on in one go, its own area last, since with that the
 * form is of the next coat.
 */
export function coatEntries(
  values: CoatValues,
  read: FormReader,
  about: {
    view: BenchView;
    others: readonly AlikeArea[];
    own: number | null;
    leftM2: number;
    step: Step;
    product: Product;
    pots: BenchView['pots'];
    conditions: LoggedConditions | null;
    against: string | null;
    zone: string;
    idOf: (areaId: string) => string;
  },
): { entries: EntryInput[]; parts: Part[] } {
  const { view, others, own, leftM2, step, product, pots, conditions, against, zone, idOf } = about;
  const at = fromLocalField(values.start, zone);
  const endedAt = fromLocalField(values.end, zone);
  if (!at) read.refuse('start', t`Started must be a date and time`);
  if (!endedAt) read.refuse('end', t`Finished must be a date and time`);
  const { canLitres } = product.sheet;
  const used = canLitres
    ? read.number('cans', t`cans used`, values.cans) * canLitres
    : read.quantity('litres', t`litres used`, values.litres, 'volume');
  const coatNo = view.clock.next?.coatNo ?? 0;
  const target = { areaId: view.area.id, stepId: step.id, coatNo, leftM2, litres: own ?? leftM2 };
  const parts = [...others, target].map((each): Part => {
    const path = each === target ? 'areaM2' : `others.${each.areaId}`;
    const typedM2 = each === target ? values.areaM2 : (values.others[each.areaId] ?? '');
    return { ...each, path, coveredM2: read.quantity(path, t`area covered`, typedM2, 'area') };
  });
  const body = {
    productId: product.id,
    sheetVersion: product.version,
    colour: values.colour,
    method: values.method,
    thinner: read.number('thinner', 'thinner (%)', values.thinner) / 100,
    endedAt: endedAt ?? '',
    batchIds: pots.map((pot) => pot.entryId),
    ...(values.by.trim() !== '' && { by: values.by.trim() }),
    note: against ? noteWith(against, values.note) : values.note,
  };
  const entries = litresOn(parts, used).map((litres, i): EntryInput => {
    const { areaId, stepId, coatNo: no, coveredM2 } = parts[i] as Part;
    return {
      ...{ id: idOf(areaId), areaId, at: at ?? '', corrects: null, kind: 'coat' as const },
      body: {
        ...body,
        stepId,
        coatNo: no,
        litres,
        areaM2: coveredM2,
        // A reading on one area doesn’t apply to the surface of another, which uses the weather data.
        conditions: areaId === view.area.id ? conditions : null,
      },
    };
  });
  return { entries, parts };
}

/** Refusals of the entries, each once, those of areas at their own fields. */
export async function refusalsOfAll(
  entries: readonly EntryInput[],
  parts: readonly Part[],
  read: FormReader,
): Promise<FieldError[]> {
  const errors: FieldError[] = [];
  for (const [i, entry] of entries.entries()) {
    const place = (path: string) => (path === 'body.areaM2' ? (parts[i] as Part).path : formPathOf(path));
    const found = await refusals((c) => c.entryInput, entry, read, place);
    errors.push(...found.filter((each) => !errors.some((known) => known.path === each.path)));
  }
  return errors;
}

/** Where the contract's paths stand in this form. */
function formPathOf(path: string): string {
  if (path === 'at') return 'start';
  if (path === 'body.endedAt') return 'end';
  return path.replace(/^body\./, '');
}
