import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coatSession, type SessionNote } from './index.ts';

const PHONE = { id: 'p', kind: 'phone' } as const;
const DESK = { id: 'd', kind: 'computer' } as const;
const note = (over: Partial<SessionNote> & { id: string }): SessionNote => ({
  ...{ atMs: 0, areaIds: [], people: [], device: PHONE },
  ...over,
});

describe('the session of a coat from notes of several devices', () => {
  it('starts with the first note; the last says which areas and people are in it; every device stays', () => {
    const notes = [
      note({ id: 'c', atMs: 30, areaIds: ['keel', 'keel'], people: ['Ana', 'Bo'], device: DESK }),
      note({ id: 'a', atMs: 10, areaIds: ['rudder'], people: ['Ana'] }),
      note({ id: 'b', atMs: 20, people: ['Ana'] }),
    ];
    expect(coatSession(notes)).toEqual({
      startedMs: 10,
      areaIds: ['keel'],
      people: ['Ana', 'Bo'],
      devices: [PHONE, DESK],
    });
    expect(coatSession([])).toBeNull();
  });

  it('one that ended without a coat is over; what is noted later is another', () => {
    const over = [note({ id: 'a', atMs: 10, people: ['Ana'] }), note({ id: 'b', atMs: 20, ended: true })];
    expect(coatSession(over)).toBeNull();
    const again = note({ id: 'c', atMs: 30, people: ['Bo'], device: DESK });
    expect(coatSession([again, ...over])).toEqual({
      startedMs: 30,
      areaIds: [],
      people: ['Bo'],
      devices: [DESK],
    });
  });

  it('what cannot be is refused by name', () => {
    const many = (count: number) => Array.from({ length: count }, (_, i) => String(i));
    expect(() => coatSession([note({ id: 'a', atMs: Number.NaN })])).toThrow(/^Time of a note/);
    expect(() => coatSession([note({ id: 'a', areaIds: many(31) })])).toThrow(/^Areas in one go .*30/);
    expect(() => coatSession([note({ id: 'a', people: many(13) })])).toThrow(/^People .*12/);
  });

  it('two devices come to the same session in whatever order their notes arrive', () => {
    const one = fc.record({
      atMs: fc.integer({ min: 0, max: 3 }),
      areaIds: fc.subarray(['keel', 'rudder', 'skeg']),
      people: fc.subarray(['Ana', 'Bo']),
      device: fc.constantFrom(PHONE, DESK),
      ended: fc.boolean(),
    });
    const twice = fc.array(one, { maxLength: 8 }).chain((list) => {
      const notes = list.map((each, i) => ({ id: String(i), ...each }));
      return fc.tuple(fc.constant(notes), fc.shuffledSubarray(notes, { minLength: notes.length }));
    });
    fc.assert(
      fc.property(twice, ([inOrder, shuffled]) => {
        expect(coatSession(shuffled)).toEqual(coatSession(inOrder));
      }),
      { numRuns: 200, seed: 1 },
    );
  });
});
