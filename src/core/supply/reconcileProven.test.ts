import { expect, it } from 'vitest';
import { reconcile } from './index.ts';

const part = (name: string, ratio: number) => ({ name, ratio, densityKgPerL: null });

it('of three parts the one is blamed that is proven to be off, not one whose marks leave more room', () => {
  // 10 : 5 : 0.2 in litres, a mark of 0.15: the drops of the third part can be anything, the hardener is a third too much for sure.
  const found = reconcile({
    parts: [part('base', 10), part('hardener', 5), part('drier', 0.2)],
    ratioBy: 'volume',
    measuredBy: 'volume',
    tolerance: 0.05,
    start: [12, 8, 0.4],
    left: [2, 1.3, 0.13],
    mark: 0.15,
  });
  const [hardener, drier] = found.errors;
  expect(Math.abs(drier?.error ?? 0)).toBeGreaterThan(Math.abs(hardener?.error ?? 0));
  expect([found.verdict, found.worst?.part]).toEqual(['too-much', 'hardener']);
});

it('where nothing is proven the one that seems furthest is named, and the verdict says that it cannot be told', () => {
  const found = reconcile({
    parts: [part('base', 2), part('hardener', 1)],
    ratioBy: 'volume',
    measuredBy: 'volume',
    tolerance: 0.05,
    start: [1, 1],
    left: [0.8, 0.88],
    mark: 0.1,
  });
  expect([found.verdict, found.worst?.part]).toEqual(['cannot-tell', 'hardener']);
});
