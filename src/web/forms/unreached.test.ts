import { expect, it, vi } from 'vitest';
import { FormReader, refusals } from './canonical.ts';

// As when the connection drops before the page has fetched what checks its forms.
vi.mock('../../contract/index.ts', () => {
  throw new TypeError('Failed to fetch dynamically imported module');
});

it('a form sent before its checks were fetched is held to what can be read, and left to the server', async () => {
  const reader = new FormReader('metric');
  const entry = { litres: reader.quantity('litres', 'litres used', '1.1', 'volume') };
  expect(await refusals((contract) => contract.entryInput as never, entry, reader)).toEqual([]);
  reader.quantity('areaM2', 'area covered', 'half', 'area');
  expect(await refusals((contract) => contract.entryInput as never, entry, reader)).toEqual([
    { path: 'areaM2', message: 'Area covered “half” isn’t a number' },
  ]);
});
