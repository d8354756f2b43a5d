import { describe, expect, it } from 'vitest';
import type { PlanTaskView, PlanView, PurchaseRecord } from '../../contract/index.ts';
import { calendarOf, daysShown, moved, shelterStays } from './yardCalendar.ts';

const ZONE = 'Europe/London';
const day = (ms: number) => new Date(ms + 2 * 3_600_000).toISOString().slice(0, 10);

describe('the calendar of the yard', () => {
  it('has a month in whole weeks from Monday, over the change of the clock, and moves by months over the year', () => {
    const october = Date.parse('2026-10-31T12:00:00Z');
    const days = daysShown(october, ZONE, 'month').map(day);
    // October 2026 begins on a Thursday and ends on a Saturday [S: any calendar].
    expect([days[0], days.at(-1), days.length]).toEqual(['2026-09-28', '2026-11-01', 35]);
    expect(new Set(days).size).toBe(35);
    expect(daysShown(Date.parse('2027-02-10T12:00:00Z'), ZONE, 'month')).toHaveLength(28);
    expect(daysShown(october, ZONE, 'week').map(day)[0]).toBe('2026-10-26');
    expect(day(moved(Date.parse('2026-12-31T12:00:00Z'), ZONE, 'month', 1))).toBe('2027-01-01');
    expect(day(moved(Date.parse('2027-01-31T12:00:00Z'), ZONE, 'month', -1))).toBe('2026-12-01');
  });

  it('shows launches, dates wanted, orders that are open and work, each on its day in the yard', () => {
    const task = { kind: 'coat', boatName: 'Curlew', areaName: 'Keel', what: 'Dulse, red', work: null, coatNo: 0, coats: 2, session: 0, sessions: 1, sandFrom: null }; // biome-ignore format: one line
    // 23:30 UTC is half past midnight the next day in a British summer.
    const tasks = [
      { ...task, start: '2026-06-02T23:30:00Z' },
      { ...task, start: '2026-06-05T06:00:00Z' },
      { ...task, kind: 'launch', start: '2026-06-05T08:00:00Z' },
    ] as PlanTaskView[];
    const view = {
      tasks,
      setup: {},
      boats: [
        {
          boatName: 'Curlew',
          wanted: '2026-06-06T10:00:00Z',
          supportMoves: [{ name: 'Stand 2', on: '2026-06-07' }],
        },
      ],
    } as unknown as PlanView;
    const order = (over: Partial<PurchaseRecord>) =>
      ({ dueOn: '2026-06-04', receivedAt: null, archived: false, supplierId: 's', lines: [{ count: 2 }, { count: 1 }], ...over }) as PurchaseRecord; // biome-ignore format: one line
    const purchases = [order({}), order({ receivedAt: '2026-06-01T08:00:00Z' }), order({ archived: true }), order({ dueOn: null })]; // biome-ignore format: one line
    const suppliers = [{ id: 's', name: 'Quay stores' }] as never;
    const found = [...calendarOf(view, { purchases, suppliers }, ZONE, String)].map(([ms, entries]) => [day(ms), ...entries.map(({ text }) => text)]); // biome-ignore format: one line
    expect(found.sort()).toEqual([
      ['2026-06-03', '00:30 Curlew, Keel: Dulse, red: coat 1 of 2'],
      ['2026-06-04', 'Delivery: 3 packs from Quay stores'],
      ['2026-06-05', '09:00 Launch: Curlew', '07:00 Curlew, Keel: Dulse, red: coat 1 of 2'],
      ['2026-06-06', 'Launch wanted by: Curlew'],
      ['2026-06-07', 'Move support: Curlew, Stand 2'],
    ]);
  });

  it('has each boat under cover until it leaves or is launched, and those to come', () => {
    const boat = { boatId: 'b', boatName: 'Curlew', shelters: ['shed'], launch: '2026-06-20T09:00:00Z' };
    const to = (at: string, kind: string) => ({ boatId: 'b', at, surroundings: { kind } });
    const placeChanges = [to('2026-06-10T08:00:00Z', 'tent'), to('2026-06-05T08:00:00Z', 'open'), to('2026-06-01T08:00:00Z', 'shed'), to('2026-06-21T08:00:00Z', 'shed')]; // biome-ignore format: one line
    const view = {
      from: '2026-06-02T08:00:00Z',
      boats: [boat],
      setup: { placeChanges },
    } as unknown as PlanView;
    expect(shelterStays(view).map(({ kind, from, until }) => [kind, from, until])).toEqual([
      ['shed', null, '2026-06-05T08:00:00Z'],
      ['tent', '2026-06-10T08:00:00Z', '2026-06-20T09:00:00Z'],
    ]);
  });
});
