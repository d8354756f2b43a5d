import { v7 as uuidv7 } from 'uuid';
import { expect, it } from 'vitest';
import { entryInput, strict } from '../../contract/index.ts';
import { batchOf, type MeasuringTool } from '../../core/mix/index.ts';
import { pouredOf } from './poured.ts';

const TOOLS: MeasuringTool[] = [
  ...[0.1, 1, 2, 5].map((stepG) => ({ kind: 'scale' as const, stepG })),
  ...[1, 5, 10, 25, 50, 100].map((stepMl) => ({ kind: 'cup' as const, stepMl })),
  ...[0.5, 1, 2].map((stepMl) => ({ kind: 'syringe' as const, stepMl })),
  ...[80, 100, 143].map((potDiameterMm) => ({ kind: 'stick' as const, potDiameterMm, stepMm: 1 })),
  ...[30, 50, 236.588].map((cupMl) => ({ kind: 'counted-cups' as const, cupMl })),
  ...[8, 15, 22.5].map((strokeMl) => ({ kind: 'pump' as const, strokeMl })),
];
const RATIOS = [[1, 1], [6, 5], [2, 1], [3, 1], [4, 1], [5, 1], [9, 1], [100, 27], [2, 1, 1], [1]]; // biome-ignore format: a list
const LITRES = [0.05, 0.1, 0.25, 0.3, 0.45, 0.55, 0.6, 0.75, 1, 1.1, 1.5, 2.25, 3.3, 5];

it('whatever tool, ratio and batch the bench offers, the server takes what is logged of it', () => {
  const id = uuidv7();
  const refused: string[] = [];
  let tried = 0;
  for (const tool of TOOLS)
    for (const ratio of RATIOS)
      for (const by of ['volume', 'weight'] as const)
        for (const litres of LITRES) {
          const parts = ratio.map((each, i) => ({
            name: `part ${i}`,
            ratio: each,
            densityKgPerL: 1.4 - i * 0.2,
            reducer: i === 2,
          }));
          const batch = batchOf({ litres, parts, by, tool, tolerance: null });
          const body = { stepId: id, coatNo: 0, productId: id, sheetVersion: 1, ...pouredOf(batch), tool, thinnerLitres: 0, potTempC: 20, inductionMin: 0, potLifeMin: 60 }; // biome-ignore format: one line
          const entry = {
            id,
            areaId: id,
            at: '2026-05-04T08:00:00.000Z',
            corrects: null,
            kind: 'batch',
            body,
          };
          const { error } = entryInput.validate(entry, strict);
          tried++;
          if (error) refused.push(`${tool.kind} ${ratio} ${by} ${litres}: ${error.message}`);
        }
  expect(tried).toBeGreaterThan(5000);
  expect(refused).toEqual([]);
});

it('an exact mix is exact: 6 : 5 in a cup of 10 ml, 550 ml', () => {
  const parts = [6, 5].map((ratio, i) => ({ name: `part ${i}`, ratio, densityKgPerL: null }));
  const { result } = batchOf({
    litres: 0.55,
    parts,
    by: 'volume',
    tool: { kind: 'cup', stepMl: 10 },
    tolerance: null,
  });
  expect([result.asked.ratioError, result.asked.sizeError]).toEqual([0, 0]);
});
