import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { AreaClock, WorkView } from '../../contract/index.ts';
import { workWords } from '../words/clocks.ts';
import { workLeft, workStates } from './workStates.ts';

const NOON = Date.parse('2026-05-14T12:00:00Z');
const at = (hours: number) => new Date(NOON + hours * 3_600_000).toISOString();
const [STEP, WASH, SAND] = [uuidv7(), uuidv7(), uuidv7()];
const task = (over: Partial<WorkView>): WorkView => ({
  taskId: WASH,
  kind: 'wash',
  amount: null,
  note: 'rinse',
  doneAt: null,
  entryId: null,
  endsAt: null,
  fromAt: null,
  sandableAt: null,
  strewn: null,
  ...over,
});
const clock = (work: WorkView[]): AreaClock => ({ work, next: { stepId: STEP, coatNo: 1 } }) as AreaClock;
describe('how work before a coat stands', () => {
  it('due, running, over, and not asked for yet', () => {
    const states = workStates(
      [
        task({}),
        task({ taskId: 'w', kind: 'wait', amount: 24, endsAt: at(3) }),
        task({ taskId: 'v', kind: 'wait', amount: 2, endsAt: at(-1) }),
        task({ taskId: 'key', kind: 'sand', amount: 120, fromAt: at(5) }),
      ],
      NOON,
    );
    expect(states.map(({ state }) => state)).toEqual(['due', 'running', 'done']);
  });
  it('a line of the board names what is left, in a few words', () => {
    const work = [
      task({}),
      task({ taskId: SAND, kind: 'sand', amount: 320 }),
      task({ taskId: 'x', doneAt: at(-2) }),
    ];
    expect(workWords(clock(work), NOON, 'UTC')).toBe('Do first: wash, sand with 320 grit');
    expect(workWords(clock([task({ doneAt: at(-1) })]), NOON, 'UTC')).toBe('');
    expect(workLeft(work, NOON)).toHaveLength(2);
  });
});
