import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { aClock } from '../../../test/aClock.ts';
import type {
  BenchView,
  BoatView,
  EntryInput,
  LogView,
  OwnTemplate,
  PotView,
  Waterline,
  WorkView,
} from '../../contract/index.ts';
import { benchWithWaiting } from './benchWithWaiting.ts';
import { boatWithWaiting, lineWithWaiting, logWithWaiting, templatesWithWaiting } from './boatWithWaiting.ts';
import type { Waiting } from './queue.ts';

const AT = '2026-05-14T12:00:00Z';
let seq = 0;
const write = (over: Partial<Waiting>): Waiting => {
  seq += 1;
  return { seq, method: 'POST', path: '/log', what: 'a thing', refused: null, ...over };
};
const entry = (kind: EntryInput['kind'], body: object, over: object = {}) =>
  write({ body: { id: uuidv7(), areaId: 'area', at: AT, corrects: null, kind, body, ...over } });

const STEP = uuidv7();
const task: WorkView = {
  taskId: 'wash',
  kind: 'wash',
  amount: null,
  note: '',
  doneAt: null,
  entryId: null,
  endsAt: null,
  fromAt: null,
  sandableAt: null,
  strewn: null,
};
const bench = (over: { pots?: Partial<PotView>[]; work?: WorkView[] } = {}) =>
  ({
    area: { id: 'area', name: 'Bottom' },
    boat: { id: 'b', name: 'Test hull' },
    product: { name: 'Test epoxy' },
    pots: over.pots ?? [],
    emptied: [],
    progress: [],
    session: [],
    alike: [],
    plannedTogether: null,
    bare: [{ id: 'anode', kind: 'anode', name: 'Anode', taped: null }],
    clock: { ...aClock({}), next: { stepId: STEP, coatNo: 1 }, work: over.work ?? [task] },
  }) as unknown as BenchView;
const batch = (id: string) => entry('batch', { inductionMin: 20, potLifeMin: 120 }, { id });

describe('what waits on this device is seen done', () => {
  it('a pot mixed here has its clocks at once; one that has arrived is not shown twice, one emptied no more', () => {
    expect(benchWithWaiting(bench(), [batch('p1')]).pots).toMatchObject([
      {
        entryId: 'p1',
        inductionEnds: '2026-05-14T12:20:00.000Z',
        potEnds: '2026-05-14T14:00:00.000Z',
      },
    ]);
    const known = bench({ pots: [{ entryId: 'p1' }, { entryId: 'p2' }] });
    const ids = (...items: Waiting[]) => benchWithWaiting(known, items).pots.map((pot) => pot.entryId);
    expect(ids(batch('p1'))).toEqual(['p1', 'p2']);
    const end = (fate: string) => entry('batch-end', { batchId: 'p2', fate });
    expect([ids(end('emptied')), ids(end('discarded'))]).toEqual([['p1'], ['p1']]);
    const usedUp = (...items: Waiting[]) => benchWithWaiting(known, items).emptied.map((pot) => pot.entryId);
    expect([usedUp(end('emptied')), usedUp(end('discarded'))]).toEqual([['p2'], []]);
    expect(usedUp(end('emptied'), entry('coat', { batchIds: ['p2'] }))).toEqual([]);
    expect(ids(entry('coat', { batchIds: ['p1'] }))).toEqual(['p2']);
    const put = entry('batch', { inductionMin: 20, potLifeMin: 60 }, { id: 'p3', corrects: 'p1' });
    expect(ids(put)).toEqual(['p2', 'p3']);
    expect(ids(entry('strike', { reason: 'no' }, { corrects: 'p1' }))).toEqual(['p2']);
  });
  it('a tick counts as made, an untick as taken back, the last word of several; that of another coat does not', () => {
    const tick = (over: object = {}, more: object = {}) =>
      entry('work', { stepId: STEP, coatNo: 1, taskId: 'wash', outcome: 'done', ...over }, more);
    const doneAt = (...items: Waiting[]) => benchWithWaiting(bench(), items).clock.work[0]?.doneAt;
    expect(doneAt(tick())).toBe(AT);
    expect([doneAt(tick({ coatNo: 0 })), doneAt(tick({ outcome: 'faults' }))]).toEqual([null, null]);
    const done = bench({ work: [{ ...task, doneAt: AT, entryId: 'kept' }] });
    const taken = entry('strike', { reason: 'no' }, { corrects: 'kept' });
    expect(benchWithWaiting(done, [taken]).clock.work[0]?.doneAt).toBeNull();
    expect(benchWithWaiting(bench(), [entry('tape', { itemId: 'anode', on: true })]).bare[0]?.taped).toBe(
      true,
    );
  });
  it('sections and readings noted here count at once, once; taken back or taken up by the coat they are gone', () => {
    const note = (id: string, over: object = {}) =>
      entry('progress', { stepId: STEP, coatNo: 1, section: { no: 0, of: 4 }, comb: null, usedL: null, ...over }, { id }); // biome-ignore format: one line
    const ids = (...items: Waiting[]) =>
      benchWithWaiting(bench(), items).progress.map((each) => each.entryId);
    expect(ids(note('n1'), note('n2'), note('n1'))).toEqual(['n1', 'n2']);
    expect(ids(note('n1', { coatNo: 0 }))).toEqual([]);
    expect(ids(note('n1'), note('n2'), entry('strike', { reason: 'no' }, { corrects: 'n1' }))).toEqual([
      'n2',
    ]);
    const coat = (coatNo: number) => entry('coat', { stepId: STEP, coatNo, batchIds: [] });
    expect(ids(note('n1'), coat(1))).toEqual([]);
    expect(ids(note('n1'), coat(0))).toEqual(['n1']);
  });
  it('a hand test made here is listed and said to wait; taken back here it is gone; one of another film is not shown', () => {
    const view = bench();
    view.clock.film = { stepId: STEP, coatNo: 0 } as NonNullable<BenchView['clock']['film']>;
    const test = (over: object = {}) =>
      entry('hand-test', { stepId: STEP, coatNo: 0, found: 'prints', ...over }, { id: 'h1' });
    const handOf = (...items: Waiting[]) => benchWithWaiting(view, items).clock.hand;
    expect(handOf(test())).toMatchObject({
      tests: [{ entryId: 'h1', found: 'prints' }],
      factor: 1,
      waits: true,
    });
    expect(handOf(test(), entry('strike', { reason: 'no' }, { corrects: 'h1' }))).toBeNull();
    expect(handOf(test({ coatNo: 1 }))).toBeNull();
  });
  it('what the server refused, and what is of another area, is not', () => {
    const refused = { ...batch('p1'), refused: { detail: 'no' } as never };
    const other = entry('batch', { inductionMin: 1, potLifeMin: 2 }, { areaId: 'other' });
    expect(benchWithWaiting(bench(), [refused, other]).pots).toEqual([]);
  });
  it('a coat stands in the log, struck through once its strike-out waits as well', () => {
    const view = { boat: { id: 'b' }, areas: [{ id: 'area' }], entries: [] } as unknown as LogView;
    const coat = entry('coat', { litres: 1 }, { id: 'c1' });
    const strike = entry(
      'strike',
      { reason: 'no' },
      { id: 's1', corrects: 'c1', at: '2026-05-14T13:00:00Z' },
    );
    expect(logWithWaiting(view, [coat, strike]).entries).toMatchObject([
      { id: 's1' },
      { id: 'c1', correctedBy: 's1' },
    ]);
  });
  it('marks of the walk lie on the line of their boat, a second reading in the place of the first', () => {
    const line = {
      boatId: 'b',
      madeMarks: [{ id: 'm', side: 'port', xM: 1, readingMm: 5 }],
    } as unknown as Waterline;
    const marks = [{ id: 'n', side: 'port', xM: 1, readingMm: 7 }];
    const sent = (boatId: string) => write({ path: `/boats/${boatId}/made-marks`, body: { marks } });
    expect(lineWithWaiting(line, [sent('b')]).madeMarks).toEqual(marks);
    expect(lineWithWaiting(line, [sent('other')])).toBe(line);
  });
  it('a finding made here is judged and listed, one removed here is gone, a stand moved here is moved', () => {
    const view = {
      boat: { id: 'b' },
      findings: [{ id: 'old' }],
      bareItems: [{ id: 'anode' }],
      stands: [{ id: 'prop', shiftedAt: null }],
      areas: [],
    } as unknown as BoatView;
    const made = { id: 'new', boatId: 'b', kind: 'salt', value: 20, grade: null, limit: null };
    const after = boatWithWaiting(view, [
      write({ path: '/findings', body: made }),
      write({ method: 'DELETE', path: '/findings/old' }),
      write({ method: 'DELETE', path: '/bare-items/anode' }),
      write({ path: '/stands/prop/shift' }),
    ]);
    expect(after.findings).toMatchObject([{ id: 'new', verdict: 'fine' }]);
    expect(after.bareItems).toEqual([]);
    expect(after.stands[0]?.shiftedAt).not.toBeNull();
  });
  it('what was removed here and brought back here is there', () => {
    const there = { boat: { id: 'b' }, findings: [{ id: 'old' }], bareItems: [], stands: [], areas: [] };
    const [remove, restore] = [
      write({ method: 'DELETE', path: '/findings/old' }),
      write({ path: '/findings/old/restore' }),
    ];
    const found = (...items: Waiting[]) => boatWithWaiting(there as unknown as BoatView, items).findings;
    expect(found(remove, restore)).toEqual([{ id: 'old' }]);
    expect(found(remove, restore, remove)).toEqual([]);
    const own = [{ id: 't' }] as unknown as OwnTemplate[];
    const away = write({ method: 'DELETE', path: '/templates/t' });
    const back = write({ path: '/templates/t/restore' });
    expect(templatesWithWaiting(own, [away])).toEqual([]);
    expect(templatesWithWaiting(own, [away, back])).toEqual(own);
  });
});
