import { expect, it } from 'vitest';
import type { AppliedCoat } from './applied.ts';
import { coatsStanding, type Removal, sandedByRemoval, stillDone } from './removal.ts';

const HOUR = 3_600_000;
const coat = (stepId: string, coatNo: number, fromH: number): AppliedCoat => ({
  ...{ stepId, coatNo, areaM2: 10 },
  fromMs: fromH * HOUR,
  toMs: (fromH + 1) * HOUR,
});
const off = (atH: number, over: Partial<Removal> = {}): Removal => ({
  ...{ atMs: atH * HOUR, toGround: false, way: 'sanded', grit: 120 },
  coats: [{ stepId: 'barrier', coatNo: 1 }],
  ...over,
});
const [first, second, again] = [coat('barrier', 0, 0), coat('barrier', 1, 20), coat('barrier', 1, 60)];

it('what is sanded off is gone, both its sessions, and lies once it is applied again', () => {
  const far = coat('barrier', 1, 22);
  const { standing, removed } = coatsStanding({ coats: [first, second, far, again], removals: [off(50)] });
  expect(standing).toEqual([first, again]);
  expect(removed.map(({ coat }) => coat)).toEqual([second, far]);
  // Nothing is taken off before it is there; a strip to the ground takes what nobody named.
  expect(coatsStanding({ coats: [first, second], removals: [off(10)] }).removed).toEqual([]);
  const ground = off(70, { toGround: true, coats: [] });
  expect(coatsStanding({ coats: [first, second, again], removals: [off(50), ground] }).standing).toEqual([]);
  expect(() => coatsStanding({ coats: [], removals: [off(Number.NaN)] })).toThrow(/coats were taken off/);
});

it('of two removals of the same coat the earlier one took it, whichever was logged first', () => {
  const [later, sooner] = [off(50), off(40)];
  expect(coatsStanding({ coats: [second], removals: [later, sooner] }).removed[0]?.removal).toBe(sooner);
});

it('work under a coat that is gone is to be done again; work under those that stay is done', () => {
  const done = (coatNo: number, atH: number) => ({ stepId: 'barrier', coatNo, atMs: atH * HOUR });
  const steps = ['primer', 'barrier', 'finish'];
  const isDone = (work: ReturnType<typeof done>, removal: Removal) => stillDone(work, [removal], steps);
  expect(isDone(done(1, 19), off(50))).toBe(false);
  expect(isDone(done(1, 55), off(50))).toBe(true);
  expect(isDone(done(0, 0), off(50))).toBe(true);
  expect(isDone(done(0, 0), off(50, { toGround: true, coats: [] }))).toBe(false);
  // Sanded for the next coat, and then sanded off: the film that has the tooth is gone.
  expect(isDone(done(2, 40), off(50))).toBe(false);
  expect(isDone({ ...done(0, 40), stepId: 'finish' }, off(50))).toBe(false);
  expect(isDone({ ...done(0, 55), stepId: 'finish' }, off(50))).toBe(true);
  expect(isDone({ ...done(0, 0), stepId: 'primer' }, off(50))).toBe(true);
});

it('sanding a coat off sands the film below, where the grit is the one that is planned', () => {
  const step = {
    sandBetween: 120,
    before: [{ id: 'sand-first', kind: 'sand' as const, amount: 80, note: '' }],
  };
  expect(sandedByRemoval(off(50), step)).toEqual(['key', 'between']);
  expect(sandedByRemoval(off(50, { grit: 320 }), step)).toEqual(['key']);
  const whole = [{ stepId: 'barrier', coatNo: 0 }];
  expect(sandedByRemoval(off(50, { grit: 80, coats: whole }), step)).toEqual(['key', 'sand-first']);
  // Scraped, or with a grit nobody told, it is sanded by no means.
  expect(sandedByRemoval(off(50, { way: 'scraped' }), step)).toEqual([]);
  expect(sandedByRemoval(off(50, { grit: null }), step)).toEqual([]);
});
