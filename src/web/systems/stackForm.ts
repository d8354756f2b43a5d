import { v7 as uuidv7 } from 'uuid';
import { AS_USUAL, type Product, type StackInput, type Step } from '../../contract/index.ts';
import type { Method } from '../../core/film/index.ts';
import {
  type Band,
  type FilledStep,
  filmOf,
  type LayOrder,
  methodsOf,
  type Overrule,
  type OwnRatio,
  type PlannedAdditive,
  type SchoolTask,
  type TaskKind,
  usualColours,
} from '../../core/system/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { FormReader } from '../forms/canonical.ts';

/** Work before a step as typed. */
export interface TaskValues {
  taskId: string;
  kind: TaskKind;
  amount: string;
  note: string;
  school?: SchoolTask | undefined;
}

/** A step of the stack as typed. */
export interface StepValues {
  stepId: string;
  productId: string;
  coats: string;
  extraCoats: string;
  microns: string;
  method: Method;
  thinner: string;
  colours: string[];
  signal: string;
  sandBetween: string;
  /** Whether the joints differ in grit: then each has its own, and empty is not sanded. */
  gritsDiffer: boolean;
  /** Before coat 2, coat 3, … */
  grits: string[];
  spacing: string;
  /** A word on tool or brush for each coat. */
  coatNotes: string[];
  /** The own ratio, part by part; all empty: by the sheet. */
  ownParts: string[];
  ownReason: string;
  /** Those of which some goes in; read where they are typed. */
  additives: PlannedAdditive[];
  band: string;
  bandArea: string;
  order: LayOrder | '';
  before: TaskValues[];
  /** The rules overruled; those that speak when it is saved take their place. */
  overruled: string[];
  reason: string;
}

export interface StackValues {
  steps: StepValues[];
}

const shownFilm = (microns: number, system: UnitSystem) =>
  fieldText(fromCanonical(microns, shownUnit('film', system)));

export function stackToValues(steps: readonly Step[], system: UnitSystem): StackValues {
  return {
    steps: steps.map((step) => ({
      stepId: step.id,
      productId: step.productId,
      coats: String(step.coats),
      extraCoats: String(step.extraCoats),
      microns: shownFilm(step.dryMicronsPerCoat, system),
      method: step.method,
      thinner: fieldText(step.thinner * 100),
      colours: step.colours,
      signal: step.signal ?? '',
      sandBetween: step.sandBetween === null ? '' : String(step.sandBetween),
      gritsDiffer: step.sandGrits.length > 0,
      grits: step.sandGrits.map((grit) => (grit === null ? '' : String(grit))),
      spacing: step.spacingH === null ? '' : fieldText(step.spacingH),
      coatNotes: step.coatNotes,
      ownParts: step.ownRatio?.parts.map(fieldText) ?? [],
      ownReason: step.ownRatio?.reason ?? '',
      additives: step.additives,
      band: step.band?.name ?? '',
      bandArea: step.band ? fieldText(fromCanonical(step.band.areaM2, shownUnit('area', system))) : '',
      order: step.order ?? '',
      before: step.before.map(({ id, amount, ...task }) => ({
        ...task,
        taskId: id,
        amount: amount === null ? '' : fieldText(amount),
      })),
      overruled: step.overrule?.ruleIds ?? [],
      reason: step.overrule?.reason ?? '',
    })),
  };
}

/** A new step of a product, at its sheet's typical film. */
export function stepOf(product: Product, system: UnitSystem): StepValues {
  const { sheet } = product;
  const method = methodsOf(sheet)[0] ?? 'brush';
  return {
    stepId: uuidv7(),
    productId: product.id,
    coats: '1',
    extraCoats: '0',
    microns: shownFilm(filmOf(sheet, method).typical, system),
    method,
    thinner: '0',
    colours: usualColours(
      sheet.family,
      sheet.colours.map((colour) => colour.name),
    ),
    signal: '',
    sandBetween: '',
    gritsDiffer: false,
    grits: [],
    spacing: '',
    coatNotes: [],
    ownParts: [],
    ownReason: '',
    additives: [],
    band: '',
    bandArea: '',
    order: '',
    before: [],
    overruled: [],
    reason: '',
  };
}

/** A template's step with a product, as a step to be saved. */
export const stepFromTemplate = (step: FilledStep): Step => ({
  ...AS_USUAL,
  ...step,
  id: uuidv7(),
  sandGrits: [],
  spacingH: null,
  thinner: 0,
  colours: [...step.colours],
  before: step.before.map((task) => ({ ...task, id: uuidv7() })),
  band: null,
  order: null,
  overrule: null,
});

function toOverrule({ overruled, reason }: StepValues): Overrule | null {
  return overruled.length > 0 && reason.trim() !== '' ? { ruleIds: overruled, reason: reason.trim() } : null;
}

/** A band has a name and its m²; with neither, the step goes on the whole area. */
function toBand({ band, bandArea }: StepValues, at: string, read: FormReader): Band | null {
  if (band.trim() === '' && bandArea.trim() === '') return null;
  return {
    name: band.trim(),
    areaM2: read.quantity(`${at}.bandArea`, t`area of the band`, bandArea, 'area'),
  };
}

/** The grit of each joint, as many as there are joints; none where all are alike. */
function toGrits(step: StepValues, at: string, read: FormReader): (number | null)[] {
  const joints = Math.max(0, (Number(step.coats) || 0) + (Number(step.extraCoats) || 0) - 1);
  if (!step.gritsDiffer) return [];
  return Array.from({ length: Math.min(30, joints) }, (_, i) =>
    read.optionalNumber(`${at}.grits.${i}`, t`grit before coat ${i + 2}`, step.grits[i] ?? ''),
  );
}

/** Notes up to the last one written. */
function toNotes({ coatNotes }: StepValues): string[] {
  // A field not yet drawn leaves a hole in the form's array.
  const notes = Array.from(coatNotes, (note) => (note ?? '').trim());
  return notes.slice(0, notes.findLastIndex((note) => note !== '') + 1);
}

function toOwnRatio(step: StepValues, at: string, read: FormReader): OwnRatio | null {
  const typed = Array.from(step.ownParts, (part) => (part ?? '').trim());
  if (typed.every((part) => part === '')) return null;
  const parts = typed.map((part, i) =>
    read.number(`${at}.ownParts.${i}`, t`parts in the custom ratio`, part),
  );
  return { parts, reason: step.ownReason.trim() };
}

export function valuesToStack(values: StackValues, version: number, read: FormReader): StackInput {
  return {
    version,
    steps: values.steps.map((step, i) => ({
      id: step.stepId,
      productId: step.productId,
      coats: read.number(`steps.${i}.coats`, 'coats', step.coats),
      extraCoats: read.number(`steps.${i}.extraCoats`, t`extra coats`, step.extraCoats || '0'),
      dryMicronsPerCoat: read.quantity(`steps.${i}.microns`, t`dry film a coat`, step.microns, 'film'),
      method: step.method,
      thinner: read.percent(`steps.${i}.thinner`, 'thinner', step.thinner),
      colours: step.colours,
      signal: step.signal || null,
      sandBetween: read.optionalNumber(`steps.${i}.sandBetween`, t`grit between coats`, step.sandBetween),
      sandGrits: toGrits(step, `steps.${i}`, read),
      spacingH: read.optionalNumber(`steps.${i}.spacing`, t`hours between coats`, step.spacing),
      coatNotes: toNotes(step),
      ownRatio: toOwnRatio(step, `steps.${i}`, read),
      additives: step.additives,
      before: step.before.map(({ taskId, amount, ...task }, k) => ({
        ...task,
        id: taskId,
        amount: read.optionalNumber(`steps.${i}.before.${k}.amount`, t`grit or hours`, amount),
      })),
      band: toBand(step, `steps.${i}`, read),
      order: step.order || null,
      overrule: toOverrule(step),
    })),
  };
}

/** Where the contract's paths stand in the form. */
export const stackFormPath = (path: string) =>
  path
    .replace(/\.dryMicronsPerCoat$/, '.microns')
    .replace(/\.overrule(\.reason)?$/, '.reason')
    .replace(/\.sandGrits(\.\d+)?$/, '.grits$1')
    .replace(/\.spacingH$/, '.spacing')
    .replace(/\.ownRatio\.parts(\.\d+)?$/, '.ownParts$1')
    .replace(/\.ownRatio(\.reason)?$/, '.ownReason')
    .replace(/\.band\.name$/, '.band')
    .replace(/\.band\.areaM2$/, '.bandArea');
