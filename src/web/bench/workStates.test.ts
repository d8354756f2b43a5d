import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { AreaClock, EntryInput, WorkView } from '../../contract/index.ts';
import { workWords } from '../slip/words.ts';
import { workLeft, workStates, workWithPending } from './workStates.ts';

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
  ...over,
});
const clock = (work: WorkView[]): AreaClock => ({ work, next: { stepId: STEP, coatNo: 1 } }) as AreaClock;
const entry = (over: Partial<EntryInput>): { entry: EntryInput; refused: null } => ({
  entry: {
    id: uuidv7(),
    areaId: uuidv7(),
    at: at(0),
    corrects: null,
    kind: 'work',
    body: {
      stepId: STEP,
      coatNo: 1,
      taskId: WASH,
      kind: 'wash',
      amount: null,
      note: '',
      outcome: 'done',
      remark: '',
    },
    ...over,
  } as EntryInput,
  refused: null,
});

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
  it('a line of the slip names what is left, in a few words', () => {
    const work = [
      task({}),
      task({ taskId: SAND, kind: 'sand', amount: 320 }),
      task({ taskId: 'x', doneAt: at(-2) }),
    ];
    expect(workWords(clock(work), NOON)).toBe('before it: wash, sand 320 grit');
    expect(workWords(clock([task({ doneAt: at(-1) })]), NOON)).toBe('');
    expect(workLeft(work, NOON)).toHaveLength(2);
  });
});

describe('ticks on their way to the server', () => {
  const pending = (work: WorkView[], ...waiting: ReturnType<typeof entry>[]) =>
    workWithPending({ clock: clock(work) }, waiting)[0];
  it('count as made, and an untick as taken back', () => {
    const sent = entry({});
    expect(pending([task({})], sent)).toMatchObject({ doneAt: at(0), entryId: sent.entry.id });
    const done = task({ doneAt: at(-1), entryId: 'kept' });
    expect(
      pending([done], entry({ kind: 'strike', corrects: 'kept', body: { reason: 'no' } } as never)),
    ).toMatchObject({
      doneAt: null,
      entryId: null,
    });
  });
  it('of another task, another coat, or faults found do not', () => {
    const other = (over: object) =>
      pending([task({})], entry({ body: { ...(entry({}).entry.body as object), ...over } } as never))?.doneAt;
    expect([
      other({ taskId: SAND }),
      other({ coatNo: 0 }),
      other({ stepId: uuidv7() }),
      other({ outcome: 'faults' }),
    ]).toEqual([null, null, null, null]);
  });
  it('the last word counts: ticked, taken back, ticked again', () => {
    const first = entry({});
    const again = entry({ at: at(1) });
    expect(pending([task({})], first, again)).toMatchObject({ entryId: again.entry.id });
  });
});
