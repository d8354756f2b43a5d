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
