import { describe, expect, it } from 'vitest';
import type { PlanRehearsalView, PlanStepView, PlanTaskView } from '../../contract/index.ts';
import { comparedRows, sayMistakes, sayStep } from '../words/rehearsal.ts';
import { areasAt, nextAt, pastAt } from './played.ts';

const at = (hour: number) => new Date(Date.UTC(2026, 4, 4, hour)).toISOString();
const ms = (hour: number) => Date.parse(at(hour));
const task = (id: string, over: Partial<PlanTaskView> = {}): PlanTaskView => ({
  id, kind: 'coat', boatId: 'boat', boatName: 'Curlew', areaId: 'port', areaName: 'Port', what: 'Thrift Barrier, grey', work: null,
  coatNo: 0, coats: 2, session: 0, sessions: 1, start: at(0), end: at(0), applyFrom: null, applyTo: null, people: ['Ann'], sandFrom: null,
  critical: false, pinned: false, faults: [], conditions: [], tapeTooOld: false, beyondForecast: false, supply: null, ...over,
}); // biome-ignore format: a record
const step = (of: PlanTaskView, hour: number, over: Partial<PlanStepView> = {}): PlanStepView => ({
  kind: 'done', task: of, at: at(hour), safeAt: null, readyAt: null, isOrdered: false, mistakes: [], why: null, ...over,
}); // biome-ignore format: a record

const first = task('a', { end: at(10) });
const again = task('a~1', { end: at(34), sandFrom: at(30) });
const launch = task('launch boat', { kind: 'launch', areaId: null, areaName: '', what: '', coatNo: null, coats: null, people: [] }); // biome-ignore format: one line
const view: PlanRehearsalView = {
  key: 'k', draw: 0, from: at(0), until: at(60), cost: 1000, hours: [],
  launches: [{ boatId: 'boat', boatName: 'Curlew', at: at(50) }],
  steps: [
    step(first, 8, { safeAt: at(14), readyAt: at(16) }),
    step(first, 12, { kind: 'spoilt', why: 'rain' }),
    step(again, 30, { safeAt: at(38), readyAt: at(44) }),
    step(launch, 50, { isOrdered: true, mistakes: [{ code: 'too-soon', at: at(55) }] }),
  ],
}; // biome-ignore format: a record

describe('a rehearsal at a moment', () => {
  it('shows an area as it is then, and nothing that comes later', () => {
    const states = [7, 9, 11, 13, 31, 35, 40, 45, 51].map((hour) => {
      const [area] = areasAt(view, ms(hour));
      return [area?.state, area?.done, area?.coats];
    });
    expect(states).toEqual([
      ['waiting', 0, 1],
      ['applying', 0, 1],
      ['wet', 1, 1],
      ['spoilt', 0, 1],
      ['applying', 0, 1],
      ['wet', 1, 1],
      ['curing', 1, 1],
      ['complete', 1, 1],
      ['afloat', 1, 1],
    ]);
    // A second coat begun too soon spoils itself, not the one below it.
    const second = { ...task('b', { end: at(40) }), coatNo: 1 };
    const tooSoon = { ...view, steps: [step(first, 8, { safeAt: at(14) }), step(second, 38), step(second, 38, { kind: 'spoilt', why: 'too-soon' })] } as PlanRehearsalView; // biome-ignore format: one line
    expect([39, 41].map((hour) => areasAt(tooSoon, ms(hour))[0]?.done)).toEqual([1, 1]);
    expect(pastAt(view, ms(12)).map(({ kind }) => kind)).toEqual(['spoilt', 'done']);
    expect(nextAt(view, ms(20)).map(({ id }) => id)).toEqual(['a~1', 'launch boat']);
  });

  it('says what happened and what was wrong with it, and sets the outcomes side by side', () => {
    const say = (moment: string) => moment.slice(11, 16);
    const [, spoilt, sanded, early] = view.steps as [PlanStepView, PlanStepView, PlanStepView, PlanStepView];
    expect(sayStep(spoilt)).toBe(
      'Port, Curlew: Thrift Barrier, grey: coat 1 of 2: spoilt, rain reached the wet coat. Sand the coat and apply it again',
    );
    expect(sayStep(sanded)).toMatch(/started \(Ann\), after sanding: the window had closed$/);
    expect(sayMistakes(early, say)).toEqual(['Too soon: the paint was ready from 07:00.']);
    // A boat that floats too late has no window to sand for: its antifouling dried out.
    const late = { ...early, mistakes: [{ code: 'too-late' as const, at: at(7) }] };
    expect(sayMistakes(late, say)).toEqual(['Too late: the paint had to be in the water by 07:00.']);
    expect(sayMistakes({ ...late, task: first }, say)[0]).toMatch(
      /window closed 07:00, and the film wasn’t sanded/,
    );
    const never = { ...view, cost: null, launches: [{ boatId: 'boat', boatName: 'Curlew', at: null }] };
    const rows = comparedRows(view, never, { moment: say, money: (minor) => `${minor} c` });
    expect(rows.slice(0, 3).map(({ planned, decided }) => [planned, decided])).toEqual([
      ['02:00', 'not within two weeks of the plan'],
      ['1000 c', 'not known: a boat was not launched'],
      ['1', '1'],
    ]);
  });
});
