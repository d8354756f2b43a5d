import { describe, expect, it } from 'vitest';
import { type Family, type PrepStep, prepareFor, prepHours, prepTasks, type Substrate } from './index.ts';

/** Each step in a line: what, its kind with grit or hours, what proves it. */
const stepText = ({ what, kind, grit, waitHours, proof }: PrepStep) =>
  `${what} [${kind ?? 'haste'}${(grit ?? waitHours) ? ` ${grit ?? waitHours}` : ''}] ${proof}`;
const prepared = (substrate: Substrate, over: Partial<Parameters<typeof prepareFor>[0]> = {}) =>
  prepareFor({ substrate, oldCoating: null, service: 'immersed', preparation: null, ...over });
const CLEAN =
  'Vacuum, blow off, wipe with solvent using two cloths, then wipe lightly with a tack cloth [wash] the tack cloth stays clean';

describe('the order of preparation, in the words of handbook part 4 [T]', () => {
  it.each<[Substrate, readonly string[]]>([
    [
      'steel',
      [
        'Do all known repairs first: bare steel can’t be left waiting [prepare] no welding is left to do',
        'Degrease [wash] water doesn’t bead',
        'Blast or power-tool to Sa 2½ [prepare]',
        'Wash with salt remover (100 : 1) and test for salt again [wash] salt is at or below 50 mg/m²',
        'Prime within 4 hours, sooner when damp. A passivating wash extends this to two to three days [haste] no flash rust shows',
      ],
    ],
    [
      'aluminium',
      [
        'Degrease [wash] water doesn’t bead',
        'Abrade with non-metallic media [sand 80] the surface is even and dull',
        'Etch or prime within the hour [prepare] it’s primed before the metal dulls',
      ],
    ],
    [
      'stainless-bronze',
      [
        'Degrease [wash] water doesn’t bead',
        'Abrade or etch. Mask anodes and shaft faces [sand 80] the surface is bright with an even key',
      ],
    ],
    [
      'grp',
      [
        'Dewax with solvent, using two cloths [wash] water runs off in a sheet',
        'Open, dry and wash blisters, then fill them with epoxy [prepare] the moisture reading has stopped falling',
        'Abrade [sand 80] no gloss is left',
        'Dewax with solvent again after sanding [wash] the second cloth stays clean',
      ],
    ],
    [
      'timber',
      [
        'Let the timber dry right through. Mask faces to be glued [prepare] the moisture reading is low and steady',
        'Fair the surface [sand 80] a guide coat shows no low spots',
        'Abrade [sand 120] the surface is even and dull',
      ],
    ],
    [
      'timber-epoxy',
      [
        'Let the timber dry right through. Mask faces to be glued [prepare] the moisture reading is low and steady',
        // Amine bloom neither sands nor solvents off: water, and before anything else.
        'Wash bloom off cured epoxy with water first [wash] the surface no longer feels greasy',
        'Fair the surface [sand 80] a guide coat shows no low spots',
        'Abrade [sand 120] the surface is even and dull',
      ],
    ],
    [
      'ferrocement',
      [
        'Wash, then let it dry for several weeks [wash] the moisture reading is steady',
        'Abrade or sweep-blast [sand 80] no laitance is left',
      ],
    ],
  ])('%s', (substrate, wanted) => {
    const lines = prepared(substrate).map(stepText);
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
      prepared(substrate, { oldCoating }).map(stepText);
    const unknown = over('existing-paint', null);
    expect(unknown[0]).toMatch(
      /^Test the old coat: adhesion .* \[inspect\] all paint that stays tests at grade 2 or better \(ISO 2409\)/,
    );
    expect(unknown[1]).toMatch(/^Remove loose paint \[prepare\] nothing lifts under a scraper/);
    expect(unknown[2]).toMatch(/^Wet-scrape or wet-sand the antifouling\. Never work dry \[prepare\]/);
    expect(unknown[3]).toMatch(
      /^Degrease with trisodium phosphate \(a tablespoon to a litre.* \[wash\] water doesn’t bead/,
    );
    expect(unknown[4]).toBe('Abrade [sand 120] no gloss is left');
    // Nobody antifouls a locker: common practice, no source.
    expect(prepared('existing-paint', { service: 'interior' }).map(stepText).join()).not.toMatch(
      /antifouling/,
    );
    expect(over('steel', 'one-pack-enamel').join()).not.toMatch(/blast|wet-scrape/i);
    expect(over('grp', 'hard-antifouling').join()).toMatch(/wet-scrape/i);
    expect(prepared('existing-paint')[1]?.caution).toMatch(/lead, tin or chromate/);
  });

  it('what is done to the steel decides: converted or by power tool nothing is blasted, and nothing runs against four hours', () => {
    const lines = (over: Partial<Parameters<typeof prepareFor>[0]>) =>
      prepared('steel', { service: 'bilge', ...over })
        .map(({ what }) => what)
        .join(' | ');
    const converted = lines({ converted: true });
    expect(converted).toMatch(/^Do all known repairs first \| .*loose rust.* \| degrease/i);
    expect(converted).not.toMatch(/blast|4 hours|salt/i);
    expect(lines({})).toMatch(/power-tool.* St 3/i);
    expect(lines({})).not.toMatch(/4 hours/i);
    // Blasted inside: dried before the blast, since bare steel does not wait a day.
    const blasted = prepared('steel', { service: 'tank' });
    const at = (pattern: RegExp) => blasted.findIndex(({ what }) => pattern.test(what));
    expect(at(/dry fully/i)).toBeLessThan(at(/^blast/i));
    expect(at(/dry fully/i)).toBeLessThan(at(/prime within/i));
  });

  it('inside, a day with a fan comes before the last wipe, with the caution of a closed space', () => {
    for (const service of ['bilge', 'tank', 'interior'] as const) {
      const steps = prepared('grp', { service });
      expect(stepText(steps.at(-2) as PrepStep)).toBe(
        'Let it dry fully: a day with a fan [wait 24] every corner feels dry',
      );
      expect(steps.at(-2)?.caution).toMatch(/never work alone/);
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
      note: 'Let it dry fully: a day with a fan; done when: every corner feels dry',
    });
    // Two dewaxings and a wipe at 30 m²/h each where they go by area, sanding by machine at 10.
    expect(prepHours(prepared('timber'), 30)).toBeCloseTo(30 / 10 + 30 / 10 + 30 / 30, 9);
  });
});
