import { describe, expect, it } from 'vitest';
import { HOUR_MS } from '../cure/index.ts';
import {
  BETWEEN,
  type DoneTask,
  type DueTask,
  KEY,
  type PlannedTask,
  sandedAt,
  taskState,
  waitsUntil,
  workBefore,
} from './index.ts';

/** What is asked for is common practice (handbook parts 4, 5 and 10); the hours of a wait are the system's own. */
const task = (id: string, kind: PlannedTask['kind'], amount: number | null = null): PlannedTask => ({
  id,
  kind,
  amount,
  note: '',
});
const sump = {
  before: [task('w', 'wash'), task('d', 'wait', 24), task('s', 'sand', 80)],
  sandBetween: null as number | null,
};
const done = (taskId: string, hour: number): DoneTask => ({
  taskId,
  entryId: `e-${taskId}`,
  atMs: hour * HOUR_MS,
});
const asked = (over: Partial<Parameters<typeof workBefore>[0]> = {}) =>
  workBefore({ step: sump, coatNo: 0, key: null, filmToMs: null, done: [], ...over });
const states = (work: readonly DueTask[], hour: number) =>
  work.map((each) => taskState(each, hour * HOUR_MS));

describe('task', () => {
  it('a washed bilge dries for its day from when it was washed, then is sanded', () => {
    expect(states(asked(), 0)).toEqual(['due', 'due', 'due']);
    const washed = asked({ done: [done('w', 10)] });
    expect(states(washed, 11)).toEqual(['done', 'running', 'due']);
    expect(washed[1]?.endsMs).toBe(34 * HOUR_MS);
    expect(states(washed, 34)).toEqual(['done', 'done', 'due']);
  });
  it('washed again it dries again, cut short before or not; a wash nobody planned is done and asks for nothing', () => {
    const again = asked({ done: [done('w', 10), done('d', 20), done('s', 21), done('w', 30)] });
    expect(states(again, 31)).toEqual(['done', 'running', 'done']);
    expect(again[1]?.endsMs).toBe(54 * HOUR_MS);
    const dust = asked({
      step: { ...sump, before: [] },
      filmToMs: 5 * HOUR_MS,
      done: [done('wash', 4), done('wash', 6)],
    });
    expect(dust).toMatchObject([{ taskId: 'wash', kind: 'wash', doneMs: 6 * HOUR_MS }]);
  });
  it('a window that was missed takes a sanding off for its keying only where that was as coarse as asked', () => {
    const key = { grit: 120, fromMs: 0 };
    const off = (grit: number) =>
      asked({ step: { ...sump, before: [] }, coatNo: 1, key, done: [{ ...done('key', 6), grit }] });
    expect(off(120)[0]?.doneMs).toBe(6 * HOUR_MS);
    expect(off(80)[0]?.doneMs).toBe(6 * HOUR_MS);
    expect(off(400)[0]?.doneMs).toBeNull();
  });
  it('sanding knows when the paper no longer clogs; other work does not ask', () => {
    const work = asked({ sandableMs: 40 * HOUR_MS });
    expect(work.map(({ sandableMs }) => sandableMs)).toEqual([null, null, 40 * HOUR_MS]);
  });
  it('the coat waits for the wait before it, until its hours are over or the hand cuts it short', () => {
    expect(waitsUntil(asked())).toBeNull();
    expect(waitsUntil(asked({ done: [done('w', 10)] }))).toBe(34 * HOUR_MS);
    expect(waitsUntil(asked({ done: [done('w', 10), done('d', 20)] }))).toBeNull();
  });
  it('scuffed only between the second and the third, a day apart by choice (a job of the trade)', () => {
    const step = { before: [], sandBetween: 220, sandGrits: [null, 320, null], spacingH: 24 };
    const joint = (coatNo: number) =>
      asked({ step, coatNo, filmToMs: 10 * HOUR_MS }).map(({ kind, amount, endsMs }) => [
        kind,
        amount,
        endsMs,
      ]);
    const wait = ['wait', 24, 34 * HOUR_MS];
    expect(joint(0)).toEqual([]);
    expect(joint(1)).toEqual([wait]);
    expect(joint(2)).toEqual([wait, ['sand', 320, null]]);
    expect(joint(3)).toEqual([wait]);
    // A coat more than there are joints told of goes by the step's own grit.
    expect(joint(4)).toEqual([wait, ['sand', 220, null]]);
  });
  it('dry sooner than that, by the hand that says so', () => {
    expect(states(asked({ done: [done('w', 10), done('d', 20)] }), 20)).toEqual(['done', 'done', 'due']);
  });
  it('a wait that stands first counts from the coat below: sealer to paint, 24 h', () => {
    const step = { before: [task('d', 'wait', 24)], sandBetween: null };
    expect(asked({ step, filmToMs: 5 * HOUR_MS })[0]?.endsMs).toBe(29 * HOUR_MS);
    expect(asked({ step })[0]?.endsMs).toBeNull();
  });
  it('what was done before the coat below was applied was done to something else', () => {
    expect(states(asked({ filmToMs: 20 * HOUR_MS, done: [done('w', 10)] }), 21)[0]).toBe('due');
    expect(states(asked({ filmToMs: 20 * HOUR_MS, done: [done('w', 20)] }), 21)[0]).toBe('done');
  });
  it('later coats of a step want only the sanding between', () => {
    expect(asked({ coatNo: 1 })).toEqual([]);
    const between = asked({ coatNo: 1, step: { ...sump, sandBetween: 320 } });
    expect(between.map(({ taskId, kind, amount }) => [taskId, kind, amount])).toEqual([
      [BETWEEN, 'sand', 320],
    ]);
  });
});

describe('a missed window', () => {
  const key = { grit: 120, fromMs: 50 * HOUR_MS };
  it('wants keying with the sheet’s grit, once it is missed', () => {
    const work = asked({ coatNo: 1, key });
    expect(work.map(({ taskId, amount }) => [taskId, amount])).toEqual([[KEY, 120]]);
    expect([states(work, 49), states(work, 50)]).toEqual([['later'], ['due']]);
  });
  it('asks for no second sanding where one is planned anyway', () => {
    const work = asked({ coatNo: 1, key, step: { ...sump, sandBetween: 220 } });
    expect(work.map(({ taskId }) => taskId)).toEqual([BETWEEN]);
    expect(asked({ key }).map(({ taskId }) => taskId)).toEqual(['w', 'd', 's']);
  });
  it('has its tooth from the last sanding on; a wash gives none', () => {
    expect(sandedAt(asked({ key, done: [done('w', 60)] }))).toBeNull();
    expect(sandedAt(asked({ key, done: [done('w', 60), done('s', 61)] }))).toBe(61 * HOUR_MS);
  });
});
