import { expect, it } from 'vitest';
import { HOUR, NOON } from '../../../test/examples.ts';
import type { AreaClock, WorkView } from '../../contract/index.ts';
import { coatSpans } from './coatSpans.ts';

const wait = (amount: number, endsAt: number | null = null): WorkView => ({
  ...{ taskId: `w${amount}`, kind: 'wait', amount, note: '', doneAt: null, entryId: null },
  ...{
    endsAt: endsAt === null ? null : new Date(endsAt).toISOString(),
    fromAt: null,
    sandableAt: null,
    strewn: null,
  },
});
const bare = (work: WorkView[]) =>
  ({ hiddenBy: null, failed: null, hand: null, segments: [], primeBy: null, work }) as never as AreaClock;
const opens = (...work: WorkView[]) => ((coatSpans(bare(work), NOON)[0]?.fromMs ?? Number.NaN) - NOON) / HOUR;

it('a wait that has not begun keeps the coat off for all its hours, from now at the earliest', () => {
  expect(opens()).toBe(0);
  expect(opens(wait(24))).toBe(24);
  expect(opens(wait(24), wait(6))).toBe(30);
  // One that runs ends when it ends; what comes after it begins then.
  expect(opens(wait(24, NOON + 5 * HOUR))).toBe(5);
  expect(opens(wait(24, NOON + 5 * HOUR), wait(6))).toBe(11);
  expect(opens({ ...wait(24), doneAt: new Date(NOON).toISOString() })).toBe(0);
});
