import { expect, it } from 'vitest';
import type { Entry } from '../../contract/index.ts';
import { onArea, withNotesTogether } from './coatFigures.ts';

const coat = (id: string, coatNo: number, areaM2: number, over: object = {}) =>
  ({
    id,
    kind: 'coat',
    correctedBy: null,
    body: { stepId: 's', coatNo, areaM2, litres: 0.27 },
    ...over,
  }) as unknown as Entry;
const films = {
  films: { a: 60, b: 60, c: 40, gone: 500, off: 90 },
  removedAt: { off: '2026-05-03T10:00:00Z' },
};

it('notes of sections are one line of the record; a reading of the comb stands by itself', () => {
  const note = (id: string, comb: object | null = null) =>
    ({ id, kind: 'progress', body: { comb } }) as unknown as Entry;
  const list = [note('e'), note('d'), note('c', {}), note('b'), coat('a', 0, 1), note('z')];
  expect(withNotesTogether(list).map((group) => group.map(({ id }) => id).join(''))).toEqual(['ed', 'c', 'b', 'a', 'z']); // biome-ignore format: one line
  expect(withNotesTogether([])).toEqual([]);
});

it('a film stays as thick as it was applied, however the area is cut up afterwards; a coat taken off is none', () => {
  const entries = [coat('a', 0, 2.32), coat('gone', 0, 2.32, { correctedBy: 'a' }), coat('off', 1, 2.32)];
  expect(onArea(entries, films, 2.32)).toEqual({ coats: 1, litres: 0.27, microns: 60 });
  expect(onArea(entries, films, 1.16).microns).toBe(60);
  expect(onArea(entries, films, null).microns).toBe(60);
});

it('a coat in two sessions is one coat, and half a coat is half its film over the area', () => {
  const halves = [coat('a', 0, 1.16), coat('c', 0, 1.16)];
  expect(onArea(halves, films, 2.32)).toMatchObject({ coats: 1, microns: 50 });
  expect(onArea([coat('a', 0, 2.32), coat('b', 1, 1.16)], films, 2.32)).toMatchObject({
    coats: 2,
    microns: 60 + 30,
  });
});
