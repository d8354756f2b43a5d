import { shelteredSince } from '../../contract/formats/shelters.ts';
import type { Area, AreaInput, Boat, EarlierShelter, Estimate } from '../../contract/index.ts';
import { type AreaWay, HAND_MEASURE_SPREAD, type Measure, type Shape } from '../../core/hull/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { fromLocalField } from '../clock/say.ts';
import type { FormReader } from '../forms/canonical.ts';

/** One line of the measuring sheet as typed; `a`, `b`, `c` are the shape's lengths in the order it is spoken. */
export interface MeasureValues {
  kind: Shape['kind'];
  a: string;
  b: string;
  c: string;
  girths: string;
  rule: 'simpson' | 'trapezoid';
  count: string;
  opening: boolean;
  note: string;
}

/** An area as typed. */
export interface AreaValues {
  name: string;
  zone: AreaInput['zone'];
  side: AreaInput['side'];
  substrate: AreaInput['substrate'];
  service: AreaInput['service'];
  surroundings: { kind: AreaInput['surroundings']['kind']; setPointC: string };
  /** Since when it stands there, where that was changed; empty: the earlier entry was wrong. */
  since: string;
  earlierShelters: EarlierShelter[];
  oldCoating: NonNullable<AreaInput['oldCoating']> | '';
  highWear: boolean;
  part: AreaInput['part'];
  measures: MeasureValues[];
  spread: string;
  estimates: EstimateValues[];
  chosenWay: AreaWay | '';
  note: string;
}

/** An area by another way, as typed. */
export interface EstimateValues {
  way: Estimate['way'];
  areaM2: string;
  spread: string;
  basis: string;
}

/** What each length of a shape is called, and the field of the record it goes to. */
export const LENGTHS: Record<Shape['kind'], readonly (readonly ['a' | 'b' | 'c', string, string])[]> = {
  rectangle: [
    ['a', t`Length`, 'lengthM'],
    ['b', t`Width`, 'widthM'],
  ],
  triangle: [
    ['a', t`Base`, 'baseM'],
    ['b', t`Height`, 'heightM'],
  ],
  trapezium: [
    ['a', t`Parallel side 1`, 'sideAM'],
    ['b', t`Parallel side 2`, 'sideBM'],
    ['c', t`Height`, 'heightM'],
  ],
  circle: [['a', t`Diameter`, 'diameterM']],
  girths: [['a', t`Station spacing`, 'spacingM']],
};

export const EMPTY_MEASURE: MeasureValues = {
  kind: 'rectangle',
  a: '',
  b: '',
  c: '',
  girths: '',
  rule: 'simpson',
  count: '1',
  opening: false,
  note: '',
};

const EMPTY_AREA: AreaValues = {
  name: '',
  zone: 'bottom',
  side: 'both',
  substrate: 'grp',
  service: 'immersed',
  surroundings: { kind: 'open', setPointC: '' },
  since: '',
  earlierShelters: [],
  oldCoating: '',
  highWear: false,
  part: null,
  measures: [EMPTY_MEASURE],
  spread: String(HAND_MEASURE_SPREAD * 100),
  estimates: [],
  chosenWay: '',
  note: '',
};

/** What most areas of a part of the boat have to stand. */
export const USUAL_SERVICE: Record<AreaInput['zone'], AreaInput['service']> = {
  topsides: 'daylight',
  'boot-stripe': 'splash',
  bottom: 'immersed',
  keel: 'immersed',
  rudder: 'immersed',
  transom: 'daylight',
  deck: 'daylight',
  cabin: 'daylight',
  bilge: 'bilge',
  other: 'daylight',
};

/** A new area begins under water, where most of the work is; loose parts have no bottom. */
export const newArea = (boat: Pick<Boat, 'kind'>): AreaValues =>
  boat.kind === 'parts' ? { ...EMPTY_AREA, zone: 'other', service: USUAL_SERVICE.other } : EMPTY_AREA;

const shelterToValues = (
  surroundings: AreaInput['surroundings'],
  system: UnitSystem,
): AreaValues['surroundings'] => ({
  kind: surroundings.kind,
  setPointC:
    surroundings.kind === 'heated'
      ? fieldText(fromCanonical(surroundings.setPointC, shownUnit('temperature', system)))
      : '',
});

/** Whether another shelter, or another temperature of a heated one, is typed than was saved. */
export const shelterChanged = (saved: AreaValues['surroundings'], typed: AreaValues['surroundings']) =>
  saved.kind !== typed.kind || (typed.kind === 'heated' && saved.setPointC.trim() !== typed.setPointC.trim());

/** A shelter as typed. */
export const valuesToShelter = (
  { kind, setPointC }: AreaValues['surroundings'],
  read: FormReader,
): AreaInput['surroundings'] =>
  kind === 'heated'
    ? { kind, setPointC: read.quantity('surroundings.setPointC', t`set point`, setPointC, 'temperature') }
    : { kind };

/** The area that a form began with, if there is one, and how it shows times and temperatures. */
interface SavedArea {
  saved: Area | null;
  zone: string;
  system: UnitSystem;
}

/** Where an area stands and stood as typed: elsewhere since a time, or corrected where no time is given. */
function valuesToShelters(
  values: AreaValues,
  { saved, zone, system }: SavedArea,
  read: FormReader,
): Pick<Area, 'surroundings' | 'earlierShelters'> {
  const surroundings = valuesToShelter(values.surroundings, read);
  const { earlierShelters, since } = values;
  const hasMoved = saved && shelterChanged(shelterToValues(saved.surroundings, system), values.surroundings);
  if (!hasMoved || since.trim() === '') return { surroundings, earlierShelters };
  const at = fromLocalField(since, zone);
  if (at === null) read.refuse('since', t`Since must be a date and time`);
  return shelteredSince({ ...saved, earlierShelters }, at ?? new Date().toISOString(), surroundings);
}

export function areaToValues(area: Area, system: UnitSystem): AreaValues {
  const unit = shownUnit('length', system);
  const length = (m: number) => fieldText(fromCanonical(m, unit));
  return {
    name: area.name,
    zone: area.zone,
    side: area.side,
    substrate: area.substrate,
    service: area.service,
    surroundings: shelterToValues(area.surroundings, system),
    since: '',
    earlierShelters: area.earlierShelters,
    oldCoating: area.oldCoating ?? '',
    highWear: area.highWear,
    part: area.part,
    measures: area.measures.map((measure) => {
      const shape = measure.shape as unknown as Record<string, number>;
      const values: MeasureValues = {
        ...EMPTY_MEASURE,
        kind: measure.shape.kind,
        count: String(measure.count),
        opening: measure.opening,
        note: measure.note ?? '',
      };
      for (const [key, , field] of LENGTHS[measure.shape.kind]) values[key] = length(shape[field] as number);
      if (measure.shape.kind === 'girths') {
        values.girths = measure.shape.girthsM.map(length).join('  ');
        values.rule = measure.shape.rule;
      }
      return values;
    }),
    spread: fieldText(area.spread * 100),
    estimates: area.estimates.map((estimate) => estimateToValues(estimate, system)),
    chosenWay: area.chosenWay ?? '',
    note: area.note,
  };
}

function toShape(values: MeasureValues, at: string, read: FormReader): Shape {
  const shape: Record<string, unknown> = { kind: values.kind };
  for (const [key, word, field] of LENGTHS[values.kind]) {
    shape[field] = read.quantity(`${at}.${key}`, word.toLowerCase(), values[key], 'length');
  }
  if (values.kind === 'girths') {
    const texts = values.girths.split(/[\s;]+/).filter(Boolean);
    if (texts.length === 0) read.refuse(`${at}.girths`, t`Enter the girths`);
    shape.girthsM = texts.map((text, i) => read.quantity(`${at}.girths`, t`girth ${i + 1}`, text, 'length'));
    shape.rule = values.rule;
  }
  return shape as unknown as Shape;
}

export function toMeasures(values: readonly MeasureValues[], read: FormReader): Measure[] {
  return values.map((line, i) => ({
    shape: toShape(line, `measures.${i}`, read),
    count: read.number(`measures.${i}.count`, 'count', line.count),
    opening: line.opening,
    note: line.note,
  }));
}

export function estimateToValues(estimate: Estimate, system: UnitSystem): EstimateValues {
  return {
    way: estimate.way,
    areaM2: fieldText(fromCanonical(estimate.areaM2, shownUnit('area', system))),
    spread: fieldText(estimate.spread * 100),
    basis: estimate.basis,
  };
}

export function toEstimates(values: readonly EstimateValues[], read: FormReader): Estimate[] {
  return values.map((each, i) => ({
    way: each.way,
    areaM2: read.quantity(`estimates.${i}.areaM2`, 'area', each.areaM2, 'area'),
    spread: read.percent(`estimates.${i}.spread`, 'spread', each.spread),
    basis: each.basis,
  }));
}

export function valuesToArea(
  values: AreaValues,
  ids: { id: string; boatId: string },
  read: FormReader,
  from: SavedArea,
): AreaInput {
  return {
    ...ids,
    name: values.name.trim(),
    zone: values.zone,
    side: values.side,
    substrate: values.substrate,
    service: values.service,
    ...valuesToShelters(values, from, read),
    oldCoating: values.oldCoating === '' ? null : values.oldCoating,
    highWear: values.highWear,
    part: values.part,
    measures: toMeasures(values.measures, read),
    spread: read.percent('spread', 'spread', values.spread),
    estimates: toEstimates(values.estimates, read),
    chosenWay: values.chosenWay === '' ? null : values.chosenWay,
    note: values.note,
  };
}

/** Where the contract's paths into a shape stand in the form. */
export function formPath(path: string, values: AreaValues): string {
  const match = /^measures\.(\d+)\.shape\.(\w+)/.exec(path);
  const kind = match && values.measures[Number(match[1])]?.kind;
  if (!match || !kind) return path;
  const key = LENGTHS[kind].find(([, , field]) => field === match[2])?.[0];
  return `measures.${match[1]}.${key ?? 'girths'}`;
}
