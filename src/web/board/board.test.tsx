// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it } from 'vitest';
import { aClock } from '../../../test/aClock.ts';
import type { AreaClock, AreaPart, PotView } from '../../contract/index.ts';
import { boardLines } from '../clock/urgency.ts';
import { UnitsProvider } from '../units/UnitsContext.tsx';
import { DoNext } from './DoNext.tsx';
import { RunningList } from './RunningList.tsx';

const inHours = (h: number) => new Date(Date.now() + h * 3_600_000).toISOString();
const clock = (over: Partial<AreaClock>) =>
  aClock({
    areaId: over.areaName ?? 'bottom',
    until: inHours(10),
    ...over,
  });
const pot = (readyH: number, setsH: number): PotView => ({
  entryId: 'pot',
  areaId: 'bottom',
  areaName: 'Bottom',
  boatId: 'b',
  boatName: 'Listed hull',
  productName: 'Test epoxy',
  mixedAt: inHours(-0.1),
  inductionEnds: inHours(readyH),
  potEnds: inHours(setsH),
  usedL: null,
  batch: {} as PotView['batch'],
});
function show(pots: PotView[], clocks: AreaClock[]) {
  const lines = boardLines(pots, clocks);
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <UnitsProvider>
          <DoNext lines={lines} zone="utc" />
          <RunningList lines={lines} zone="utc" site={{ latitude: 50, longitude: 0 }} />
        </UnitsProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  const next = screen.getByRole('region', { name: 'Next' });
  return {
    next: next.textContent ?? '',
    urgent: next.className.includes('border-l-signal'),
    lines: screen.queryAllByRole('listitem').map((line) => line.textContent ?? ''),
  };
}
afterEach(cleanup);

describe('the one thing that needs hands', () => {
  it('a pot in its standing time is let be; one that lives is used up; one that has set is not used at all', () => {
    const inducting = show([pot(0.2, 1)], []);
    expect([inducting.next, inducting.urgent]).toEqual([
      expect.stringContaining('Leave Test epoxy to stand'),
      false,
    ]);
    cleanup();
    const live = show([pot(-0.1, 0.5)], []);
    expect([live.next, live.urgent]).toEqual([expect.stringContaining('Use up the Test epoxy pot'), true]);
    cleanup();
    expect(show([pot(-1, -0.1)], []).next).toContain('pot life over, don’t use this pot');
  });
  it('a window that closes in an hour is urgent, one that closes tomorrow is not', () => {
    expect(show([], [clock({ until: inHours(1) })])).toMatchObject({ urgent: true });
    cleanup();
    const calm = show([], [clock({ until: inHours(24) })]);
    expect([calm.urgent, calm.next]).toEqual([false, expect.stringContaining('closes in')]);
  });
  it('a part that opens soon is no hurry; one that closes soon is, whatever the rest waits for', () => {
    const part = (state: AreaPart['state'], h: number): AreaPart => ({
      what: 'session',
      areaM2: 5,
      from: inHours(-9),
      to: inHours(-8),
      state,
      until: inHours(h),
      segments: [],
    });
    const opening = clock({ until: inHours(24), parts: [part('too-soon', 1)] });
    expect(show([], [opening]).urgent).toBe(false);
    cleanup();
    expect(show([], [clock({ until: inHours(24), parts: [part('open', 1)] })]).urgent).toBe(true);
  });
  it('says what is to be done before the coat, and leaves out what is done', () => {
    const task = {
      amount: null,
      note: '',
      entryId: null,
      endsAt: null,
      fromAt: null,
      sandableAt: null,
      strewn: null,
    };
    const { next, lines } = show(
      [],
      [
        clock({
          work: [
            { ...task, taskId: '1', kind: 'wash', doneAt: inHours(-2) },
            { ...task, taskId: '2', kind: 'sand', amount: 220, doneAt: null },
          ],
        }),
      ],
    );
    expect(next).toContain('Do first: sand with 220 grit.');
    expect(lines[0]).toContain('Do first: sand with 220 grit');
    expect(lines[0]).not.toContain('wash');
  });
  it('an area keyed is applied like an open one; one missed is abraded first with its grit', () => {
    expect(show([], [clock({ state: 'keyed', until: null })]).next).toContain(
      'Apply Test epoxy, coat 2 of 3',
    );
    cleanup();
    expect(show([], [clock({ state: 'key-first', until: null, keyGrit: 120 })]).next).toContain(
      'NextSand with 120 grit, then apply Test epoxy, coat 2 of 3Bottom, Test hull sand firstOpen bench',
    );
  });
  it('blasted steel comes before any window', () => {
    const steel = clock({ areaName: 'Keel', state: 'bare', primeBy: inHours(2), until: inHours(2) });
    const { next, urgent } = show([], [clock({ until: inHours(1) }), steel]);
    expect([next, urgent]).toEqual([expect.stringContaining('Bare steel: prime with Test epoxy'), true]);
  });
  it('with nothing running it says how to begin', () => {
    expect(show([], []).next).toContain('Nothing in progress. Choose a system for an area to get started.');
  });
});

describe('what runs in the yard', () => {
  it('soonest first, each with its state in a word and the way to its bench', () => {
    const { lines } = show(
      [pot(-0.1, 2)],
      [
        clock({ areaName: 'Later', until: inHours(30) }),
        clock({ areaName: 'Soon', state: 'thumb', until: inHours(1) }),
        clock({ areaName: 'Done', state: 'finished', next: null, until: null }),
      ],
    );
    expect(lines.map((line) => /Soon|pot|Later|Done/.exec(line)?.[0])).toEqual([
      'Soon',
      'pot',
      'Later',
      'Done',
    ]);
    expect(lines[0]).toContain('thumbprint');
    expect(screen.getAllByRole('link', { name: /Apply Test epoxy/ })[0]?.getAttribute('href')).toBe(
      '/bench/Soon',
    );
  });
  it('a window drawn is also said: its state and until when', () => {
    const segments = [{ state: 'open' as const, from: inHours(-1), to: inHours(5) }];
    show([], [clock({ segments, until: inHours(5) })]);
    expect(screen.getByRole('img', { name: /^open until / })).toBeDefined();
  });
});
