import { afterEach, expect, it } from 'vitest';
import { QuantityError } from '../../core/units/index.ts';
import { JobRefused } from './jobRefused.ts';
import { Jobs } from './jobs.ts';

let jobs: Jobs | null = null;
afterEach(() => jobs?.stop());

const part = (i: number) => `part ${i}`;
/** A need in thimbles: the search goes on for seconds. */
const endless = () => ({
  need: Array.from({ length: 6 }, (_, i) => ({ part: part(i), litres: 90_000 + i })),
  packs: Array.from({ length: 48 }, (_, i) => ({
    id: `pack ${i}`,
    price: 1009 + i * 37,
    contents: { [part(i % 6)]: 0.37 + (i % 7) / 9, [part((i + 1) % 6)]: 0.11 },
    supplierId: `s${i % 4}`,
  })),
  suppliers: [0, 1, 2, 3].map((i) => ({ id: `s${i}`, delivery: 1000, minOrder: 5000 })),
});
const csv = 'time,air,rh\n2026-05-14T06:00Z,8,80\n';

it('a job’s time begins with its turn, and one that is broken off takes nobody else with it', async () => {
  // Long enough for a new thread and a short job on a machine that is busy with others.
  jobs = new Jobs({ longestMs: 12_000 });
  const started = Date.now();
  // Both threads taken, four more in line: waiting longer than a job may take is no fault of theirs.
  const long = [0, 1].map(() => (jobs as Jobs).run('purchase', endless()).catch((error: unknown) => error));
  const short = [0, 1, 2, 3].map(() => (jobs as Jobs).run('weather', csv, 'UTC'));
  const read = await Promise.all(short);
  expect(read.map(({ readings }) => readings.length)).toEqual([1, 1, 1, 1]);
  for (const one of await Promise.all(long))
    expect(one instanceof JobRefused ? one.message : 'done').toMatch(
      /^(Processing took longer than 12 s and was stopped|done)$/,
    );
  expect(Date.now() - started).toBeLessThan(60_000);
});

it('what cannot be is named as what it is, not as a fault of the server', async () => {
  jobs = new Jobs();
  const bad = { ...endless(), packs: [{ id: 'x', price: -1, contents: { [part(0)]: 1 }, supplierId: null }] };
  await expect(jobs.run('purchase', bad)).rejects.toBeInstanceOf(QuantityError);
  await expect(jobs.run('weather', 'nothing', 'UTC')).rejects.toMatchObject({
    name: 'JobRefused',
    path: 'csv',
  });
  await expect(jobs.run('readings', `[${'{},'.repeat(200_000)}{}]`)).rejects.toThrow(
    /more than 2000 readings/,
  );
  await expect(jobs.run('readings', '{"readings":[{"at":"x"}]}')).rejects.toBeInstanceOf(JobRefused);
});
