import { expect, it } from 'vitest';
import { ReadTurns } from './readTurns.ts';

const turn = () => new Promise((resolve) => setImmediate(resolve));

it('readers that come together begin one a turn, in their order, and others have their turn between them', async () => {
  const turns = new ReadTurns();
  const begun: string[] = [];
  const read = (name: string) => turns.take().then(() => begun.push(name));
  const all = Promise.all(['first', 'second', 'third'].map(read));
  expect(begun).toEqual([]);
  const seen: number[] = [];
  for (let i = 0; i < 3; i++) {
    await turn();
    seen.push(begun.length);
  }
  await all;
  expect(begun).toEqual(['first', 'second', 'third']);
  expect(seen).toEqual([1, 2, 3]);
  // Nobody is left waiting once it has stood still.
  await read('later');
  expect(begun.at(-1)).toBe('later');
});
