import { describe, expect, it } from 'vitest';
import { aClock } from '../../../test/aClock.ts';
import type { AreaClock, PotView } from '../../contract/index.ts';
import { countdownWord, heldBack, notBefore, taskOf, workWords } from '../words/clocks.ts';
import { groupOf } from './groups.ts';
import { boardLines, isRunningOut, nextLine, RUNNING_OUT_MS } from './urgency.ts';

const NOW = Date.parse('2026-05-14T12:00:00Z');
const inHours = (h: number) => new Date(NOW + h * 3_600_000).toISOString();

const clock = (over: Partial<AreaClock>) => aClock({ until: inHours(10), ...over });
const pot = (potEnds: string | null): PotView => ({
  entryId: 'pot',
  areaId: 'a',
  areaName: 'Bottom',
  boatId: 'b',
  boatName: 'Test hull',
  productName: 'Test epoxy',
  mixedAt: inHours(-0.5),
  inductionEnds: inHours(-0.2),
  potEnds,
  usedL: null,
  batch: {} as PotView['batch'],
});

describe('the order of the board', () => {
  it('what is decided soonest first: a pot between the windows it falls between', () => {
    const lines = boardLines(
      [pot(inHours(1))],
      [
        clock({ areaName: 'later', until: inHours(5) }),
        clock({ areaName: 'key', state: 'key-first', until: null }),
        clock({ areaName: 'soon', state: 'thumb', until: inHours(0.5) }),
        clock({ areaName: 'waits', state: 'too-soon', until: inHours(3) }),
        clock({ areaName: 'bare', state: 'bare', until: null }),
      ],
    );
    expect(lines.map((l) => (l.kind === 'pot' ? 'pot' : l.clock.areaName))).toEqual([
      'soon',
      'pot',
      'waits',
      'later',
      'key',
      'bare',
    ]);
  });

  it('hands go to a pot first, then to the window that closes first, then to sanding, then to a bare area', () => {
    const closing = clock({ areaName: 'closing', until: inHours(2) });
    const waiting = clock({ areaName: 'waiting', state: 'too-soon', until: inHours(1) });
    const missed = clock({ areaName: 'missed', state: 'key-first', until: null });
    const bare = clock({ areaName: 'bare', state: 'bare', until: null });
    const name = (pots: PotView[], clocks: AreaClock[]) => {
      const line = nextLine(boardLines(pots, clocks), NOW);
      return line?.kind === 'pot' ? 'pot' : line?.clock.areaName;
    };
    expect(name([pot(null)], [closing])).toBe('pot');
    expect(name([], [waiting, missed, bare, closing])).toBe('closing');
    expect(name([], [waiting, missed, bare])).toBe('missed');
    expect(name([], [waiting, bare])).toBe('bare');
    expect(name([], [waiting])).toBe('waiting');
    expect(name([], [])).toBeUndefined();
    // Its window is open, but what comes first is a sanding that clogs until after tomorrow.
    const sand = { taskId: 't', kind: 'sand' as const, amount: 180, note: '', doneAt: null, entryId: null, endsAt: null, fromAt: null, sandableAt: inHours(40), strewn: null }; // biome-ignore format: one line
    const clogs = clock({ areaName: 'clogs', until: inHours(80), work: [sand] });
    expect(name([], [clogs, missed])).toBe('missed');
    expect(name([], [clogs])).toBe('clogs');
    // Nor is a bare area forgotten that dries for a day, where there is nothing else.
    const dries = { ...sand, kind: 'wait' as const, sandableAt: null, endsAt: inHours(20) };
    expect(name([], [clock({ areaName: 'drying', state: 'bare', until: null, work: [dries] })])).toBe(
      'drying',
    );
    const groupsAt = (now: number) =>
      [clogs, missed].map((it) => groupOf({ kind: 'area', clock: it, decides: 0 }, now, 'UTC'));
    expect(groupsAt(NOW)).toEqual(['later', 'today']);
    expect(groupsAt(NOW + 36 * 3_600_000)).toEqual(['today', 'today']);
    expect(workWords(clogs, NOW, 'UTC')).toBe('Do first: sand with 180 grit (not before Sat 16 May, 04:00)');
  });

  it('only what closes can run out: waiting for a window to open is not running out', () => {
    const soon = new Date(NOW + RUNNING_OUT_MS / 2).toISOString();
    const [open] = boardLines([], [clock({ until: soon })]);
    const [wait] = boardLines([], [clock({ state: 'too-soon', until: soon })]);
    const [far] = boardLines([], [clock({ until: inHours(30) })]);
    expect([open, wait, far].map((line) => line && isRunningOut(line, NOW))).toEqual([true, false, false]);
    const [live] = boardLines([pot(soon)], []);
    const [inducting] = boardLines([{ ...pot(soon), inductionEnds: inHours(0.2) }], []);
    expect([live, inducting].map((line) => line && isRunningOut(line, NOW))).toEqual([true, false]);
  });
});

describe('what to do, as a foreman would say it', () => {
  it.each<[Partial<AreaClock>, string]>([
    [{}, 'Apply Test epoxy, coat 2 of 3'],
    [{ state: 'too-soon' }, 'Next: Test epoxy, coat 2 of 3'],
    [{ state: 'key-first', keyGrit: 120 }, 'Sand with 120 grit, then apply Test epoxy, coat 2 of 3'],
    [{ state: 'key-first' }, 'Sand, then apply Test epoxy, coat 2 of 3'],
    [{ state: 'bare' }, 'First coat: Test epoxy, coat 2 of 3'],
    [{ state: 'not-stated' }, 'Test epoxy, coat 2 of 3: overcoat window not on the data sheet'],
    [{ next: null, state: 'finished' }, 'All coats applied, curing'],
    [
      { next: null, state: 'finished', events: [{ event: 'full-cure', at: '1969-12-31T12:00:00.000Z' }] },
      'All coats applied',
    ],
    [{ next: null, state: 'no-system' }, 'Choose a system'],
    [{ next: null, nextIsWater: true, state: 'open' }, 'Ready for launch'],
    [{ next: null, nextIsWater: true, state: 'too-soon' }, 'Not ready for launch yet'],
    [
      { next: null, nextIsWater: true, state: 'closed' },
      'Out of the water too long: apply a fresh coat of antifouling before launch',
    ],
  ])('%o', (over, task) => {
    expect(taskOf(clock(over), 0)).toBe(task);
  });

  it('a coat broken off is finished first, whatever its window says', () => {
    const begun = clock({});
    const next = { ...(begun.next as NonNullable<AreaClock['next']>), coveredM2: 8 };
    expect(taskOf({ ...begun, next }, 0)).toBe('Finish Test epoxy, coat 2 of 3');
  });

  it('counts down to what the state waits for', () => {
    expect(countdownWord(clock({ state: 'too-soon' }), 0)).toBe('opens in');
    expect(countdownWord(clock({ state: 'too-soon', nextIsWater: true }), 0)).toBe('ready in');
    expect(countdownWord(clock({}), 0)).toBe('closes in');
    // Steel past its time: no count runs on, and it is not the primer that is next.
    const steel = clock({ state: 'bare', primeBy: '2026-05-04T12:00:00.000Z' });
    const [before, after] = ['2026-05-04T11:59:00.000Z', '2026-05-04T12:00:00.000Z'].map((at) =>
      Date.parse(at),
    ) as [number, number];
    expect([countdownWord(steel, before), countdownWord(steel, after)]).toEqual(['prime within', '']);
    expect(taskOf(steel, before)).toMatch(/^Bare steel: prime with/);
    expect(taskOf(steel, after)).toBe('Re-blast, or inspect for flash rust');
    expect(heldBack(steel, after, (at) => at)?.headline).toBe('Not suitable now');
    expect(heldBack(steel, before, (at) => at)).toBeNull();
    expect(countdownWord(clock({ state: 'key-first' }), 0)).toBe('');
  });

  it('a sanding that still clogs holds the coat back beyond the window of the film', () => {
    const [ready, sandable] = ['2026-05-04T18:50:00.000Z', '2026-05-05T12:25:00.000Z'];
    const sand = { taskId: 't', kind: 'sand' as const, amount: 180, note: '', doneAt: null, entryId: null, endsAt: null, fromAt: null, sandableAt: sandable, strewn: null }; // biome-ignore format: one line
    const waiting = clock({ state: 'too-soon', until: ready, work: [sand] });
    expect(notBefore(waiting, 0)).toEqual({ at: sandable, clogs: true });
    expect(heldBack(waiting, 0, (at) => at)?.reason).toContain(`until ${sandable}`);
    const done = { ...sand, doneAt: ready };
    expect(notBefore({ ...waiting, work: [done] }, 0)).toEqual({ at: ready, clogs: false });
    expect(notBefore(clock({}), 0)).toBeNull();
    // A wait that runs holds a bare area back too, where no film is waited for.
    const wait = { ...sand, kind: 'wait' as const, sandableAt: null, endsAt: sandable };
    const drying = clock({ state: 'bare', until: null, work: [wait] });
    expect(heldBack(drying, 0, (at) => at)).toMatchObject({ headline: 'Not yet' });
    expect(notBefore(drying, Date.parse(sandable))).toBeNull();
  });
});
