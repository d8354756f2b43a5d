import { expect, it } from 'vitest';
import { WriteGate } from './writeGate.ts';

const turn = () => new Promise((resolve) => setImmediate(resolve));

it('writes run one after the other in the order they came, whether the one before fails or not', async () => {
  const gate = new WriteGate();
  const order: string[] = [];
  const write = (name: string, fails = false) =>
    gate.run(async () => {
      order.push(`${name} begins`);
      await turn();
      order.push(`${name} ends`);
      if (fails) throw new Error(name);
      return name;
    });
  const [first, second] = await Promise.allSettled([write('first', true), write('second')]);
  expect([first.status, second]).toEqual(['rejected', { status: 'fulfilled', value: 'second' }]);
  expect(order).toEqual(['first begins', 'first ends', 'second begins', 'second ends']);
});

it('a reader waits for the writes under way, but no longer than it is told to; without one it does not wait', async () => {
  const gate = new WriteGate();
  let done = false;
  await gate.letFirst(60_000);
  const short = gate.run(async () => {
    await turn();
    done = true;
  });
  await gate.letFirst(60_000);
  expect(done).toBe(true);
  await short;

  let end = () => {};
  const long = gate.run(() => new Promise<void>((resolve) => { end = resolve; })); // biome-ignore format: one line
  await gate.letFirst(5);
  // Still under way, and the reader goes on.
  let isOver = false;
  void long.then(() => {
    isOver = true;
  });
  await turn();
  expect(isOver).toBe(false);
  end();
  await long;
  // A write that failed is over too.
  await gate.run(() => Promise.reject(new Error('no'))).catch(() => {});
  await gate.letFirst(60_000);
});
