import { describe, expect, it } from 'vitest';
import { type Family, type PrepStep, prepareFor, prepHours, prepTasks, type Substrate } from './index.ts';

/** Each step in a line: what, its kind with grit or hours, what proves it. */
const said = ({ what, kind, grit, waitHours, proof }: PrepStep) =>
  `${what} [${kind ?? 'haste'}${(grit ?? waitHours) ? ` ${grit ?? waitHours}` : ''}] ${proof}`;
const prepared = (substrate: Substrate, over: Partial<Parameters<typeof prepareFor>[0]> = {}) =>
  prepareFor({ substrate, oldCoating: null, service: 'immersed', preparation: null, ...over });
const CLEAN =
  'vacuum, blow off, solvent wipe with two cloths, tack cloth lightly [wash] the tack cloth stays clean';

describe('the order of preparation, in the words of handbook part 4 [T]', () => {
  it.each<[Substrate, readonly string[]]>([
    [
      'steel',
      [
        'known repairs first: bare steel will not wait [prepare] nothing is left to weld',
        'degrease [wash] water does not bead',
        'blast or power-tool to Sa 2½ [prepare]',
        'wash with salt remover 100 : 1 and test again [wash] salt at or below 50 mg/m²',
        'prime within 4 hours, sooner when damp; a passivating wash holds it two to three days [haste] no bloom of rust',
      ],
    ],
    [
      'aluminium',
      [
        'degrease [wash] water does not bead',
        'abrade with non-metallic media [sand 80] an even, dull surface',
        'etch or prime within the hour [prepare] primed before it dulls',
      ],
    ],
    [
      'stainless-bronze',
      [
        'degrease [wash] water does not bead',
        'abrade or etch; tape anodes and shaft faces [sand 80] bright, even tooth',
      ],
    ],
    [
      'grp',
      [
        'dewax with solvent, two cloths [wash] water runs off in a sheet',
        'open, dry, wash and fill blisters with epoxy [prepare] moisture no longer falls',
        'abrade [sand 80] no gloss left',
        'dewax with solvent again, after sanding [wash] the second cloth stays clean',
      ],
    ],
    [
      'timber',
      [
        'dry it through; glue faces masked bare [prepare] moisture steady and low',
        'fair [sand 80] no lows under a guide coat',
        'abrade [sand 120] even and dull',
      ],
    ],
    [
      'timber-epoxy',
      [
        'dry it through; glue faces masked bare [prepare] moisture steady and low',
        // Amine bloom neither sands nor solvents off: water, and before anything else.
        'wash the bloom off cured epoxy with water first [wash] no greasy feel',
        'fair [sand 80] no lows under a guide coat',
        'abrade [sand 120] even and dull',
      ],
    ],
    [
      'ferrocement',
      ['wash, let it dry for weeks [wash] moisture steady', 'abrade or sweep-blast [sand 80] no laitance'],
    ],
  ])('%s', (substrate, wanted) => {
    const lines = prepared(substrate).map(said);
    expect(lines.at(-1)).toBe(CLEAN);
    expect(lines).toHaveLength(wanted.length + 1);
    wanted.forEach((start, i) => {
      expect(lines[i]?.startsWith(start)).toBe(true);
    });
  });

  it('immersed steel and a steel tank want Sa 2½, dry inside St 3, and a sheet’s own grade wins', () => {
    const grade = (
      service: 'immersed' | 'tank' | 'interior' | 'daylight',
      cleanliness: 'Sa 3' | null = null,
    ) =>
      /to (Sa 2½|St 3|Sa 3)/.exec(
        prepared('steel', {
          service,
          preparation: { cleanliness, profileMinMicrons: null, profileMaxMicrons: null },
        })
          .map(({ what }) => what)
          .join(),
      )?.[1];
    expect([grade('immersed'), grade('tank'), grade('interior'), grade('daylight')]).toEqual([
      'Sa 2½',
      'Sa 2½',
      'St 3',
      'St 3',
    ]);
    expect(grade('interior', 'Sa 3')).toBe('Sa 3');
  });

  it('old paint is tested first; old antifouling is wet work; what lies there decides, not the metal under it', () => {
    const over = (substrate: Substrate, oldCoating: Family | 'unknown' | null) =>
      prepared(substrate, { oldCoating }).map(said);
    const unknown = over('existing-paint', null);
    expect(unknown[0]).toMatch(
      /^test the old coat: adhesion .* \[inspect\] grade 2 or better stays \(ISO 2409\)/,
    );
    expect(unknown[1]).toMatch(/^Remove loose paint \[prepare\] nothing lifts under a scraper/);
    expect(unknown[2]).toMatch(/^Wet-scrape or wet-sand the antifouling\. Never work dry \[prepare\]/);
    expect(unknown[3]).toMatch(
      /^degrease: trisodium phosphate, a tablespoon to a litre .* \[wash\] water does not bead/,
    );
    expect(unknown[4]).toBe('abrade [sand 120] no gloss left');
    expect(over('steel', 'one-pack-enamel').join()).not.toMatch(/blast|wet-scrape/);
    expect(over('grp', 'hard-antifouling').join()).toMatch(/wet-scrape/);
    expect(prepared('existing-paint')[1]?.caution).toMatch(/lead, tin or chromate/);
  });

  it('what is done to the steel decides: converted or by power tool nothing is blasted, and nothing runs against four hours', () => {
    const lines = (over: Partial<Parameters<typeof prepareFor>[0]>) =>
      prepared('steel', { service: 'bilge', ...over })
        .map(({ what }) => what)
        .join(' | ');
    const converted = lines({ converted: true });
    expect(converted).toMatch(
      /^known repairs first \| needle-gun or wire-brush the loose rust off \| degrease/,
    );
    expect(converted).not.toMatch(/blast|4 hours|salt/);
    expect(lines({})).toMatch(/power-tool to St 3, not burnished/);
    expect(lines({})).not.toMatch(/4 hours/);
    // Blasted inside: dried before the blast, since bare steel does not wait a day.
    const blasted = prepared('steel', { service: 'tank' });
    const at = (pattern: RegExp) => blasted.findIndex(({ what }) => pattern.test(what));
    expect(at(/dry fully/)).toBeLessThan(at(/^blast/));
    expect(at(/dry fully/)).toBeLessThan(at(/prime within/));
  });

  it('inside, a day with a fan comes before the last wipe, with the caution of a closed space', () => {
    for (const service of ['bilge', 'tank', 'interior'] as const) {
      const steps = prepared('grp', { service });
      expect(said(steps.at(-2) as PrepStep)).toBe(
        'dry fully: a day with a fan [wait 24] dry to the hand in every corner',
      );
      expect(steps.at(-2)?.caution).toMatch(/never alone/);
    }
    expect(prepared('grp', { service: 'splash' }).some(({ kind }) => kind === 'wait')).toBe(false);
  });

  it('as tasks the haste of the first coat is left out, and the rest carries what proves it; hours go by area', () => {
    const steel = prepared('steel', { service: 'tank' });
    const tasks = prepTasks(steel);
    expect(tasks).toHaveLength(steel.length - 1);
    expect(tasks.find(({ kind }) => kind === 'wait')).toEqual({
      kind: 'wait',
      amount: 24,
      note: 'dry fully: a day with a fan; done when: dry to the hand in every corner',
    });
    // Two dewaxings and a wipe at 30 m²/h each where they go by area, sanding by machine at 10.
    expect(prepHours(prepared('timber'), 30)).toBeCloseTo(30 / 10 + 30 / 10 + 30 / 30, 9);
  });
});
