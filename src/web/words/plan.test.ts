import { describe, expect, it } from 'vitest';
import type { PlanTaskView } from '../../contract/index.ts';
import { chanceOf } from '../../core/plan/index.ts';
import { sayChance } from '../plan/Chances.tsx';
import { sayClash, sayFaultCodes, sayMove, sayTask, sayTaskShort } from './plan.ts';

const coat: PlanTaskView = {
  id: 'a', kind: 'coat', boatId: 'b', boatName: 'Peewit', areaId: 'a', areaName: 'Bottom', what: 'Thrift Barrier, grey',
  work: null, coatNo: 1, coats: 4, session: 0, sessions: 1, start: '', end: '', applyFrom: null, applyTo: null, people: [],
  sandFrom: null, critical: false, pinned: false, faults: [], conditions: [], tapeTooOld: false, beyondForecast: false, supply: null,
}; // biome-ignore format: a table

describe('the plan in words', () => {
  it('names a coat by its place in the step, work by what is done, and a part where it takes several', () => {
    expect(sayTask(coat)).toBe('Thrift Barrier, grey: coat 2 of 4');
    expect(sayTask({ ...coat, sessions: 3, session: 2 })).toBe(
      'Thrift Barrier, grey: coat 2 of 4, part 3 of 3',
    );
    expect(sayTask({ ...coat, kind: 'work', work: 'extra', what: 'Strip the rust' })).toBe('Extra work: Strip the rust'); // biome-ignore format: one line
    expect(sayTask({ ...coat, kind: 'work', work: 'sand', what: '' })).toBe('Sand');
    expect([sayTaskShort(coat), sayTaskShort({ ...coat, kind: 'launch' })]).toEqual(['2/4', 'Launch']);
  });

  it('says why a task moved, with the task that it meets; a move without a fault is said too', () => {
    expect(sayMove(['start-not-allowed'], undefined)).toBe('The weather isn’t suitable at this time.');
    expect(sayMove(['too-early'], 'Sand, Bottom')).toMatch(
      /isn’t done or ready by then\. See: Sand, Bottom\.$/,
    );
    expect(sayMove(['past'], undefined)).toBe('Not started by then.');
    expect(sayMove(['by-hand'], undefined)).toBe('Placed here by hand.');
    expect(sayMove([], undefined)).toMatch(/moves with the others/);
    expect(sayFaultCodes(['person-not-free', 'dust-on-wet'])).toBe(
      'Nobody works at this time. Dust would land on a wet film.',
    );
  });

  it('never gives a chance without its error, nor a sure one from draws', () => {
    expect(sayChance(chanceOf(72, 100))).toBe('72 % (± 4)');
    expect(sayChance(chanceOf(20, 20))).toBe('95 % (± 4)');
    expect(sayChance(chanceOf(10_000, 10_000))).toBe('99 % (± 1)');
  });

  it('a clash that is not proven is not called one', () => {
    const clash = { tasks: [coat], why: ['latest a b', 'people x'], proven: false, minimal: false };
    expect(sayClash(clash)).toMatch(
      /^no plan was found in the time available\. The clash is among these tasks/,
    );
    expect(sayClash({ ...clash, why: ['not-found'] })).toMatch(/There may be one: plan again later/);
    expect(sayClash({ ...clash, proven: true, minimal: true })).toMatch(/^no plan fits within eight weeks\. These tasks clash: a window that closes too early, too few working hours\.$/); // biome-ignore format: one line
  });
});
