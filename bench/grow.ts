import { v7 as uuidv7 } from 'uuid';
import { HOUR_MS } from '../src/core/cure/index.ts';
import type { Db } from '../src/server/db/open.ts';
import { area, boat, logEntry, lot, lotMovement, step } from '../src/server/db/schema.ts';

/**
 * More boats of 5 areas, each with 20 logged coats; 196 of them make 200 boats and some 20 000 entries. Some 5 000 movements of the tins
 * that are there.
 */
export async function grow(db: Db, boats = 196): Promise<void> {
  const [sample] = await db.select().from(area).limit(1);
  const [sampleBoat] = await db.select().from(boat).limit(1);
  const [sampleStep] = await db.select().from(step).limit(1);
  const coats = (await db.select().from(logEntry)).filter((row) => row.kind === 'coat');
  const [coat] = coats;
  await moveALot(db);
  if (!sample || !sampleBoat || !sampleStep || !coat) throw new Error('the demo is empty');
  for (let b = 0; b < boats; b++) {
    const boatId = uuidv7();
    await db.insert(boat).values({ ...sampleBoat, id: boatId, name: `Bench hull ${b}` });
    const areas = Array.from({ length: 5 }, (_, i) => ({
      ...sample,
      partOf: null,
      part: null,
      id: uuidv7(),
      boatId,
      name: `Area ${i}`,
    }));
    await db.insert(area).values(areas);
    const steps = areas.map((a) => ({ ...sampleStep, id: uuidv7(), areaId: a.id, coats: 21 }));
    await db.insert(step).values(steps);
    await db.insert(logEntry).values(
      areas.flatMap((a, i) =>
        Array.from({ length: 20 }, (_, coatNo) => {
          const at = new Date(coat.at.getTime() - (20 - coatNo) * 24 * HOUR_MS);
          const endedAt = new Date(at.getTime() + HOUR_MS);
          const stepId = (steps[i] as { id: string }).id;
          return { ...coat, id: uuidv7(), boatId, areaId: a.id, at, stepId, coatNo, endedAt };
        }),
      ),
    );
  }
}

async function moveALot(db: Db): Promise<void> {
  const lots = await db.select({ id: lot.id }).from(lot);
  for (let round = 0; round < 50; round++)
    await db.insert(lotMovement).values(
      Array.from({ length: 100 }, (_, n) => ({
        id: uuidv7(),
        lotId: (lots[n % lots.length] as { id: string }).id,
        kind: n % 10 === 0 ? ('counted' as const) : n % 3 === 0 ? ('received' as const) : ('used' as const),
        amount: n % 10 === 0 ? 4 : 0.2,
        at: new Date(Date.now() - (50 - round) * 24 * HOUR_MS + n * 60_000),
        recordedAt: new Date(),
        note: '',
      })),
    );
}
