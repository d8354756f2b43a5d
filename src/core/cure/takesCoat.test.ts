import { describe, expect, it } from 'vitest';
import { HOUR_MS } from './index.ts';
import { takesCoat } from './takesCoat.ts';

const at = (hour: number) => hour * HOUR_MS;
/** Too soon until 10:00, open until 20:00, then to be sanded first. */
const segments = [
  { state: 'too-soon' as const, fromMs: at(0), toMs: at(10) },
  { state: 'thumb' as const, fromMs: at(10), toMs: at(12) },
  { state: 'open' as const, fromMs: at(12), toMs: at(20) },
  { state: 'key-first' as const, fromMs: at(20), toMs: null },
];
const asked = { segments, now: at(1), sandableMs: null, sandFirst: false };

describe('when the film below takes the next coat (common practice, no source: handbook part 4)', () => {
  it('not before its window opens; what touches is one stretch', () => {
    expect(takesCoat(asked)).toEqual([{ fromMs: at(10), toMs: Number.POSITIVE_INFINITY }]);
    expect(takesCoat({ ...asked, now: at(15) })[0]?.fromMs).toBe(at(15));
  });
  it('past its window not before it can be sanded; sanded in any case, nothing before that', () => {
    const clogs = { ...asked, sandableMs: at(22) };
    expect(takesCoat(clogs)).toEqual([
      { fromMs: at(10), toMs: at(20) },
      { fromMs: at(22), toMs: Number.POSITIVE_INFINITY },
    ]);
    expect(takesCoat({ ...clogs, sandFirst: true })).toEqual([
      { fromMs: at(22), toMs: Number.POSITIVE_INFINITY },
    ]);
  });
  it('a film nobody knows the end of, or closed for good, takes nothing', () => {
    expect(takesCoat({ ...asked, segments: [{ state: 'too-soon', fromMs: 0, toMs: null }] })).toEqual([]);
    expect(takesCoat({ ...asked, segments: [{ state: 'closed', fromMs: 0, toMs: null }] })).toEqual([]);
  });
});
