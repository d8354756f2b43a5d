import { within } from '../units/index.ts';
import type { Family, Substrate } from './families.ts';
import { ANTIFOULINGS, isIn } from './groups.ts';
import type { ServiceKind } from './rules.ts';
import type { Cleanliness, ProductSheet } from './sheet.ts';
import type { StepTask, TaskKind } from './step.ts';

/** One thing to do before the first coat, in order. */
export interface PrepStep {
  what: string;
  /** Grit of an abrading step. */
  grit: number | null;
  /** What shows that it is done. */
  proof: string;
  /** m² per hour for one person [T]; null: not by area. */
  m2PerHour: number | null;
  /** Hours of a step that is waiting; null: it is none. */
  waitHours: number | null;
  /** Its kind as work before the first coat; null: it is that coat's own haste, not work. */
  kind: TaskKind | null;
  /** Danger to be said where the hand is. */
  caution: string | null;
}

const step = (
  what: string,
  proof: string,
  over: Partial<Omit<PrepStep, 'what' | 'proof'>> = {},
): PrepStep => ({
  what,
  proof,
  grit: null,
  m2PerHour: null,
  waitHours: null,
  kind: over.grit == null ? 'prepare' : 'sand',
  caution: null,
  ...over,
});

const OLD_PAINT =
  'Old paint may contain lead, tin or chromate. Test first, work wet only and collect the residue. Follow the safety data sheet and local rules.';
const DUST = 'Protect eyes and hearing, wear a dust mask. Don’t grind next to wet paint.';

/** Rates for one person, m²/h [T]: by machine 8–12, by hand 3–5, blasting some 6–10, stripping by machine 3. */
const MACHINE = 10;
const BY_TOOL = 3;
const BLAST = 8;
const WASH = 30;

/** Where an unknown old coat may be antifouling. */
const WETTED: readonly ServiceKind[] = ['immersed', 'splash'];

function oldCoat(old: Family | 'unknown' | null, service: ServiceKind): PrepStep[] {
  if (old === null) return [];
  const antifouling = old === 'unknown' ? WETTED.includes(service) : isIn(ANTIFOULINGS, old);
  return [
    step(
      'Test the old coat: adhesion by cross-cut or X-cut, and a solvent rub',
      'all paint that stays tests at grade 2 or better (ISO 2409)',
      {
        kind: 'inspect',
        caution: OLD_PAINT,
      },
    ),
    step('Remove loose paint', 'nothing lifts under a scraper', { m2PerHour: 5, caution: OLD_PAINT }),
    ...(antifouling
      ? [
          step(
            'Wet-scrape or wet-sand the antifouling. Never work dry',
            'no soft or flaking antifouling is left',
            {
              m2PerHour: 4,
              caution: OLD_PAINT,
            },
          ),
        ]
      : []),
  ];
}

const LOOSE_RUST = 'needle-gun or wire-brush the loose rust off';

/**
 * Steel made ready: blasted to its grade, by power tool where the sheet is content with St, or only freed of loose rust where
 * a converter works on what is left. Only blasted steel has a profile and four hours.
 */
function steel(grade: string, converted: boolean, dry: PrepStep[]): PrepStep[] {
  const repairs = step(
    'Do all known repairs first: bare steel can’t be left waiting',
    'no welding is left to do',
  );
  const degrease = step('Degrease', 'water doesn’t bead', { kind: 'wash', m2PerHour: WASH });
  if (converted)
    return [
      step('Do all known repairs first', 'no welding is left to do'),
      step(LOOSE_RUST, 'firm red rust is left, no scale and no dust', { m2PerHour: 1, caution: DUST }),
      degrease,
      ...dry,
    ];
  if (grade.startsWith('St'))
    return [
      repairs,
      degrease,
      ...dry,
      step(`power-tool to ${grade}, not burnished`, `${grade} (ISO 8501-1); no blast profile`, {
        m2PerHour: BY_TOOL,
        caution: DUST,
      }),
    ];
  return [
    repairs,
    degrease,
    // Before the blast: bare steel does not wait a day.
    ...dry,
    step(
      `Blast or power-tool to ${grade}`,
      `the surface is ${grade} (ISO 8501-1) and replica tape shows the profile on the data sheet`,
      { m2PerHour: BLAST, caution: DUST },
    ),
    step(
      'Wash with salt remover (100 : 1) and test for salt again',
      'salt is at or below 50 mg/m² (ISO 8502-6, 8502-9; IMO PSPC)',
      { kind: 'wash', m2PerHour: WASH },
    ),
    HASTE,
  ];
}

const DRY = step('Let it dry fully: a day with a fan', 'every corner feels dry', {
  kind: 'wait',
  waitHours: 24,
  caution:
    'Confined space: ventilate, never work alone, no sources of ignition. The vapour is heavier than air.',
});

/** The grade steel is made ready to: as the sheet wants it, else Sa 2½ under water and in a tank, St 3 where it is dry [T]. */
export const gradeOf = (
  preparation: Pick<ProductSheet['preparation'], 'cleanliness'> | null,
  service: ServiceKind,
): Cleanliness =>
  preparation?.cleanliness ?? (service === 'immersed' || service === 'tank' ? 'Sa 2½' : 'St 3');

/** After drying: all other work is done within it. */
const HASTE = step(
  'Prime within 4 hours, sooner when damp. A passivating wash extends this to two to three days',
  'no flash rust shows',
  { kind: null },
);

function bare(substrate: Exclude<Substrate, 'steel'>): PrepStep[] {
  switch (substrate) {
    case 'aluminium':
      return [
        step('Degrease', 'water doesn’t bead', { kind: 'wash', m2PerHour: WASH }),
        step('Abrade with non-metallic media', 'the surface is even and dull', {
          grit: 80,
          m2PerHour: MACHINE,
          caution: DUST,
        }),
        step('Etch or prime within the hour', 'it’s primed before the metal dulls', {
          caution: 'Etch primers are acidic: wear gloves and eye protection.',
        }),
      ];
    case 'stainless-bronze':
      return [
        step('Degrease', 'water doesn’t bead', { kind: 'wash' }),
        step('Abrade or etch. Mask anodes and shaft faces', 'the surface is bright with an even key', {
          grit: 80,
          caution: DUST,
        }),
      ];
    case 'grp':
    case 'grp-laminate':
      return [
        step('Dewax with solvent, using two cloths', 'water runs off in a sheet', {
          kind: 'wash',
          m2PerHour: WASH,
          caution: 'Solvent: no flames, wear gloves, ventilate.',
        }),
        step(
          'Open, dry and wash blisters, then fill them with epoxy',
          'the moisture reading has stopped falling',
        ),
        step('Abrade', 'no gloss is left', { grit: 80, m2PerHour: MACHINE, caution: DUST }),
        step('Dewax with solvent again after sanding', 'the second cloth stays clean', {
          kind: 'wash',
          m2PerHour: WASH,
        }),
      ];
    case 'timber':
    case 'timber-epoxy':
      return [
        step(
          'Let the timber dry right through. Mask faces to be glued',
          'the moisture reading is low and steady',
        ),
        ...(substrate === 'timber-epoxy'
          ? [
              step(
                'Wash bloom off cured epoxy with water first',
                'the surface no longer feels greasy (neither sanding nor solvent removes bloom)',
                { kind: 'wash' },
              ),
            ]
          : []),
        step('Fair the surface', 'a guide coat shows no low spots', {
          grit: 80,
          m2PerHour: MACHINE,
          caution: DUST,
        }),
        step('Abrade', 'the surface is even and dull', { grit: 120, m2PerHour: MACHINE, caution: DUST }),
      ];
    case 'ferrocement':
      return [
        step('Wash, then let it dry for several weeks', 'the moisture reading is steady', { kind: 'wash' }),
        step('Abrade or sweep-blast', 'no laitance is left', { grit: 80, m2PerHour: MACHINE, caution: DUST }),
      ];
    case 'existing-paint':
      return [
        step(
          'Degrease with trisodium phosphate (a tablespoon to a litre of warm water), then rinse',
          'water doesn’t bead',
          {
            kind: 'wash',
            m2PerHour: WASH,
          },
        ),
        step('Abrade', 'no gloss is left', { grit: 120, m2PerHour: MACHINE, caution: OLD_PAINT }),
      ];
  }
}

/**
 * The preparation of a surface for its first coat, in the order of handbook part 4 [T]: what to do, what proves it, at
 * what rate, and the caution that belongs to it.
 *
 * @param preparation what the first coat's sheet wants [P]; null: not stated
 * @param converted rust is converted below the first film: nothing is blasted. Left out: it is not
 */
export function prepareFor(input: {
  substrate: Substrate;
  oldCoating: Family | 'unknown' | null;
  service: ServiceKind;
  preparation: ProductSheet['preparation'] | null;
  converted?: boolean;
}): PrepStep[] {
  const { substrate, oldCoating, service, preparation, converted = false } = input;
  const kept = oldCoating !== null && substrate !== 'existing-paint';
  const inside = service === 'bilge' || service === 'tank' || service === 'interior';
  const dry = inside ? [DRY] : [];
  const grade = gradeOf(preparation, service);
  const isSteel = !kept && substrate === 'steel';
  const surface = isSteel
    ? steel(grade, converted, dry)
    : [...bare(kept || substrate === 'steel' ? 'existing-paint' : substrate), ...dry];
  return [
    ...oldCoat(substrate === 'existing-paint' ? (oldCoating ?? 'unknown') : oldCoating, service),
    ...surface,
    step(
      'Vacuum, blow off, wipe with solvent using two cloths, then wipe lightly with a tack cloth',
      'the tack cloth stays clean',
      {
        kind: 'wash',
        m2PerHour: WASH,
        caution: 'Solvent: no flames, wear gloves, ventilate.',
      },
    ),
  ];
}

/** Hours for one person, of the steps measured by area. */
export const prepHours = (steps: readonly PrepStep[], areaM2: number): number =>
  steps.reduce(
    (sum, each) => sum + (each.m2PerHour === null ? 0 : within('area', areaM2, 0, 100_000) / each.m2PerHour),
    0,
  );

/**
 * The preparation as work before the first coat, to be ticked at the bench: what proves a step stands in its note, the
 * haste of the first coat is left out.
 */
export const prepTasks = (steps: readonly PrepStep[]): StepTask[] =>
  steps.flatMap(({ kind, grit, waitHours, what, proof }) =>
    kind === null ? [] : [{ kind, amount: grit ?? waitHours, note: `${what}; done when: ${proof}` }],
  );
