import { coatsNeeded, type Method } from '../film/index.ts';
import { QuantityError } from '../units/index.ts';
import type { Family, Substrate } from './families.ts';
import type { ServiceKind } from './rules.ts';
import { filmOf, type ProductSheet } from './sheet.ts';
import type { StepPlan, StepTask } from './step.ts';

/** A step of a template: a family, by count of coats or by film, with what happens round it. */
export interface TemplateStep {
  family: Family;
  /** Coats, or the film to reach, µm. */
  coats: number | { targetMicrons: number };
  extraCoats?: number;
  method: Method;
  before?: readonly StepTask[];
  sandBetween?: number;
  /** The first coat in a colour of its own, to show wear. */
  signal?: true;
}

/** A typical stack of the trade [T]. */
export interface Template {
  id: string;
  name: string;
  substrates: readonly Substrate[];
  services: readonly ServiceKind[];
  /** What this way buys and costs against the other school. */
  school?: string;
  steps: readonly TemplateStep[];
}

const sand = (grit: number, note = ''): StepTask => ({ kind: 'sand', amount: grit, note });
const wash = (note: string): StepTask => ({ kind: 'wash', amount: null, note });
const prepare = (note: string): StepTask => ({ kind: 'prepare', amount: null, note });
const wait = (hours: number, note = ''): StepTask => ({ kind: 'wait', amount: hours, note });
const inspect = (note: string): StepTask => ({ kind: 'inspect', amount: null, note });

const GRP: readonly Substrate[] = ['grp', 'grp-laminate'];
const TIMBER: readonly Substrate[] = ['timber', 'timber-epoxy'];

/** Antifouling: a signal coat, two full ones, a third where it wears (handbook part 5). */
const antifouled = (family: Family): TemplateStep => ({
  family,
  coats: 3,
  extraCoats: 1,
  method: 'roller',
  signal: true,
});

/** The typical stacks of handbook part 5 [T]: to begin from, never to follow against a sheet. */
export const TEMPLATES: readonly Template[] = [
  {
    id: 'grp-bottom',
    name: 'GRP bottom, barrier against osmosis',
    substrates: GRP,
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-barrier',
        coats: { targetMicrons: 400 },
        method: 'roller',
        before: [wash('solvent wash before and after sanding, two cloths'), sand(80)],
      },
      antifouled('ablative-antifouling'),
    ],
  },
  {
    id: 'steel-bottom',
    name: 'Steel bottom, blasted',
    substrates: ['steel'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: { targetMicrons: 60 },
        method: 'airless-spray',
        before: [prepare('blast to Sa 2½; salt below 50 mg/m²; prime within 4 h')],
      },
      {
        family: 'epoxy-filler',
        coats: 1,
        method: 'brush',
        before: [inspect('guide coat: fill the lows only')],
      },
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'roller',
        before: [sand(80), wash('blow off, solvent wipe')],
      },
      { family: 'epoxy-barrier', coats: 2, method: 'roller' },
      antifouled('ablative-antifouling'),
    ],
  },
  {
    id: 'aluminium-bottom',
    name: 'Aluminium bottom, no copper',
    substrates: ['aluminium'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'roller',
        before: [wash('degrease'), prepare('abrade with non-metallic media; etch or prime within the hour')],
      },
      { family: 'epoxy-barrier', coats: { targetMicrons: 300 }, method: 'roller' },
      antifouled('copper-free-antifouling'),
    ],
  },
  {
    id: 'topsides-two-pack',
    name: 'Topsides, two-pack',
    substrates: [...GRP, ...TIMBER, 'steel', 'aluminium', 'ferrocement'],
    services: ['daylight', 'splash'],
    school: 'lasts and keeps its gloss; wants a dry, mild day and breathing protection',
    steps: [
      {
        family: 'epoxy-primer',
        coats: 3,
        method: 'roller',
        before: [wash('dewax, wash, dry'), sand(120)],
        sandBetween: 180,
      },
      {
        family: 'two-pack-polyurethane',
        coats: 3,
        method: 'roll-and-tip',
        before: [sand(280), wash('solvent wipe, tack cloth')],
        sandBetween: 320,
      },
    ],
  },
  {
    id: 'topsides-one-pack',
    name: 'Topsides, one-pack',
    substrates: [...GRP, ...TIMBER, 'existing-paint'],
    services: ['daylight', 'splash', 'interior'],
    school: 'forgiving, in winter and outdoors too; softer, and fades sooner',
    steps: [
      {
        family: 'one-pack-primer',
        coats: 2,
        method: 'roller',
        before: [wash('wash, dry'), sand(120)],
        sandBetween: 180,
      },
      { family: 'one-pack-undercoat', coats: 1, method: 'roll-and-tip', before: [sand(220)] },
      {
        family: 'one-pack-enamel',
        coats: 3,
        method: 'roll-and-tip',
        before: [sand(280), wash('tack cloth, lightly')],
        sandBetween: 320,
      },
    ],
  },
  {
    id: 'timber-lapstrake',
    name: 'Lapstrake or ply, sealed and enamelled',
    substrates: TIMBER,
    services: ['daylight', 'splash'],
    steps: [
      {
        family: 'penetrating-epoxy-sealer',
        coats: 3,
        method: 'brush',
        before: [prepare('dry and fair; glue faces masked bare')],
      },
      {
        family: 'epoxy-primer',
        coats: 2,
        method: 'roller',
        before: [wait(24, 'the last sealer coat a day before paint, so that it bonds chemically')],
        sandBetween: 220,
      },
      { family: 'one-pack-enamel', coats: 3, method: 'roll-and-tip', before: [sand(220)], sandBetween: 320 },
    ],
  },
  {
    id: 'bilge-epoxy',
    name: 'Bilge, epoxy',
    substrates: ['steel', ...GRP, ...TIMBER, 'ferrocement', 'aluminium'],
    services: ['bilge'],
    school: 'two thick coats that stand oil; wants dry air and a mask in a closed space',
    steps: [
      {
        family: 'bilge-epoxy',
        coats: 2,
        method: 'brush',
        before: [wash('trisodium phosphate, rinse'), wait(24, 'dry with a fan')],
      },
    ],
  },
  {
    id: 'bilge-one-pack',
    name: 'Bilge, one-pack',
    substrates: [...GRP, ...TIMBER, 'existing-paint', 'ferrocement'],
    services: ['bilge', 'interior'],
    school: 'one coat a day, not sanded between; goes over sound old paint',
    steps: [
      {
        family: 'one-pack-bilge',
        coats: 3,
        method: 'brush',
        before: [wash('trisodium phosphate, rinse'), wait(24, 'dry with a fan')],
      },
    ],
  },
  {
    id: 'non-skid',
    name: 'Deck, non-skid',
    substrates: [...GRP, ...TIMBER, 'steel', 'aluminium'],
    services: ['daylight'],
    steps: [
      { family: 'epoxy-primer', coats: 2, method: 'roller', before: [wash('dewax, wash'), sand(80)] },
      {
        family: 'two-pack-polyurethane',
        coats: 1,
        method: 'roller',
        before: [sand(180)],
      },
      {
        family: 'two-pack-polyurethane',
        coats: 2,
        method: 'roller',
        before: [
          {
            kind: 'aggregate',
            amount: null,
            note: 'broadcast to excess into the wet base coat; sweep up next day. The first seal coat takes two to three times a smooth one, the second half of that; all under one tape',
          },
        ],
      },
    ],
  },
  {
    id: 'tank',
    name: 'Tank inside, epoxy',
    substrates: ['steel', 'timber-epoxy', ...GRP],
    services: ['tank'],
    steps: [
      {
        family: 'epoxy-barrier',
        coats: { targetMicrons: 500 },
        method: 'brush',
        before: [wash('degrease, rinse, dry'), sand(80), inspect('never alone inside; ventilate')],
      },
    ],
  },
  {
    id: 'running-gear',
    name: 'Running gear, anodes bare',
    substrates: ['stainless-bronze'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'brush',
        before: [prepare('abrade or etch; anodes and shaft faces taped')],
      },
      { family: 'epoxy-barrier', coats: 2, method: 'brush' },
      { family: 'hard-antifouling', coats: 2, method: 'brush' },
    ],
  },
  {
    id: 'joinery',
    name: 'Joinery inside, water-borne',
    substrates: TIMBER,
    services: ['interior'],
    steps: [
      { family: 'waterborne-acrylic', coats: 3, method: 'brush', before: [sand(120)], sandBetween: 240 },
    ],
  },
  {
    id: 'anchor-locker',
    name: 'Anchor locker',
    substrates: ['steel', ...GRP, ...TIMBER, 'aluminium'],
    services: ['interior', 'splash', 'bilge'],
    steps: [
      { family: 'epoxy-primer', coats: 1, method: 'brush', before: [wash('rinse out salt, dry'), sand(80)] },
      { family: 'one-pack-bilge', coats: 3, method: 'brush' },
    ],
  },
];

/** The templates that fit a place. */
export const templatesFor = (place: { substrate: Substrate; service: ServiceKind }): Template[] =>
  TEMPLATES.filter(
    (template) => template.substrates.includes(place.substrate) && template.services.includes(place.service),
  );

/** A product as a template picks it. */
export interface Choosable {
  id: string;
  sheet: Pick<ProductSheet, 'family' | 'film' | 'byMethod' | 'methods' | 'colours'>;
}

/** A template's step with a product: coats counted from the film wanted, at the sheet's typical film. */
export interface FilledStep extends StepPlan {
  productId: string;
}

/**
 * A template with products in it: the first of each family, or the one named for it. Families without a product are
 * given back as missing.
 */
export function fillTemplate(
  template: Template,
  products: readonly Choosable[],
): { steps: FilledStep[]; missing: Family[] } {
  const missing: Family[] = [];
  const steps = template.steps.flatMap((step): FilledStep[] => {
    const product = products.find((each) => each.sheet.family === step.family);
    if (!product) {
      missing.push(step.family);
      return [];
    }
    const { colours, methods } = product.sheet;
    const method = methods.includes(step.method) ? step.method : (methods[0] ?? step.method);
    const film = filmOf(product.sheet, method);
    const names = colours.map((colour) => colour.name);
    if (names.length === 0) throw new QuantityError('colours of a product', 0, '1 or more');
    const coats =
      typeof step.coats === 'number'
        ? step.coats
        : coatsNeeded({
            targetDryMicrons: step.coats.targetMicrons,
            dryMicronsPerCoat: film.typical,
            maxDryMicronsPerCoat: film.max,
          });
    const signal = step.signal && names.length > 1 ? (names.at(-1) as string) : null;
    return [
      {
        productId: product.id,
        coats,
        extraCoats: step.extraCoats ?? 0,
        dryMicronsPerCoat: film.typical,
        method,
        colours: (signal === null ? names : names.slice(0, -1)).slice(0, 2),
        signal,
        before: step.before ?? [],
        sandBetween: step.sandBetween ?? null,
      },
    ];
  });
  return { steps, missing };
}
