import { existsSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { DateTime } from 'luxon';
import { v7 } from 'uuid';
import type { CoatBody } from '../src/contract/index.ts';
import { HOUR_MS } from '../src/core/cure/index.ts';
import { areaFromMeasures } from '../src/core/hull/index.ts';
import { lossOf, type ProductSheet, stackNeed } from '../src/core/system/index.ts';
import type { Air } from '../src/server/air/surfaces.ts';
import { yardAir } from '../src/server/air/yardAir.ts';
import type { Db, Tx } from '../src/server/db/open.ts';
import { area, boat, product, productSheet, step, yard } from '../src/server/db/schema.ts';
import { insertEntry } from '../src/server/rows/log.ts';
import { insertSimulated } from '../src/server/rows/weather.ts';
import { standInWeather } from '../src/server/standins/weather.ts';
import { coatEnds, coatMs } from './coatTimes.ts';
import { filmOfArea } from './filmOf.ts';
import { layStock } from './layStock.ts';
import { laySurvey } from './laySurvey.ts';
import type { DemoArea, DemoBoat } from './planned.ts';
import { SHEETS } from './sheets.ts';
import { DEMO_BOATS, DEMO_YARD } from './yardPlan.ts';

const SEED = 41;
const DAY_MS = 24 * HOUR_MS;
const marker = (folder: string) => `${folder}.applied`;

/** How long ago the demo in this folder was made, ms; null when there is none. */
export async function demoAge(folder: string): Promise<number | null> {
  if (!existsSync(folder) || !existsSync(marker(folder))) return null;
  return Date.now() - Number(await readFile(marker(folder), 'utf8'));
}

/** The same ids for the same moment and seed. */
function idMaker(now: number): () => string {
  let count = 0;
  return () => {
    count += 1;
    const random = Uint8Array.from({ length: 16 }, (_, i) => (SEED * 31 + count * 17 + i * 7) & 255);
    return v7({ msecs: now, seq: count, random });
  };
}

interface Laying {
  tx: Tx;
  newId: () => string;
  now: number;
  weather: Air;
  products: Map<string, string>;
}

/** Lays the demo yard into an empty database, dated from `now`; leaves one that has a yard as it is. */
export async function layDemo(db: Db, options: { folder: string | null; now: number }): Promise<void> {
  const { now } = options;
  const there = await db.select({ id: yard.id }).from(yard).limit(1);
  if (there.length > 0) return;
  const newId = idMaker(now);
  await db.transaction(async (tx) => {
    await tx.insert(yard).values({ id: newId(), ...DEMO_YARD, demoLaidAt: new Date(now) });
    const utcOffsetHours = DateTime.fromMillis(now, { zone: DEMO_YARD.zone }).offset / 60;
    const air = standInWeather({
      seed: SEED,
      from: now - 30 * DAY_MS,
      to: now + 12 * DAY_MS,
      utcOffsetHours,
    });
    await insertSimulated(tx, { source: 'stand-in', issuedAt: now, hours: air });
    const weather = await yardAir(tx, now, { from: now - 30 * DAY_MS, to: now + 12 * DAY_MS });
    const products = new Map<string, string>();
    for (const [name, sheet] of Object.entries(SHEETS)) {
      const id = newId();
      products.set(name, id);
      await tx.insert(product).values({ id, name });
      await tx.insert(productSheet).values({ productId: id, version: 1, sheet });
    }
    for (const demoBoat of DEMO_BOATS) await layBoat({ tx, newId, now, weather, products }, demoBoat);
    await laySurvey({ tx, newId, now, zone: DEMO_YARD.zone, folder: options.folder });
    await layStock({ tx, newId, now, products });
  });
  if (options.folder) await writeFile(marker(options.folder), String(now));
}

/** Who paints in the demo yard. */
const HANDS = ['Merrin', 'Jory'];

async function layBoat(laying: Laying, plan: DemoBoat): Promise<void> {
  const { tx, newId } = laying;
  const boatId = newId();
  const { areas, dimensions, ...fields } = plan;
  await tx.insert(boat).values({ id: boatId, ...fields, ...dimensions });
  for (const areaPlan of areas) await layArea(laying, { boatId, boatPlan: plan }, areaPlan);
}

async function layArea(
  laying: Laying,
  { boatId, boatPlan }: { boatId: string; boatPlan: DemoBoat },
  plan: DemoArea,
): Promise<void> {
  const { tx, newId, now, products } = laying;
  const { steps: stepPlans, applied, state: _s, potMixedMinutesAgo, ...fields } = plan;
  const areaId = newId();
  const surroundings = plan.surroundings ?? { kind: 'open' as const };
  await tx.insert(area).values({
    id: areaId,
    boatId,
    spread: 0.05,
    note: '',
    estimates: [],
    chosenWay: null,
    ...fields,
    surroundings,
  });
  const steps = stepPlans.map((s, position) => ({
    id: newId(),
    areaId,
    position,
    productId: products.get(s.product) as string,
    coats: s.coats,
    dryMicronsPerCoat: s.micronsPerCoat,
    method: s.method,
    thinner: 0,
    colours: s.colours,
    before: (s.before ?? []).map((task) => ({ ...task, id: newId() })),
    sandBetween: s.sandBetween ?? null,
    additives: s.additives ?? [],
    sheet: SHEETS[s.product] as ProductSheet,
  }));
  await tx.insert(step).values(steps.map(({ sheet: _, ...row }) => row));

  const { areaM2 } = areaFromMeasures({ measures: plan.measures });
  const coats = steps.flatMap((s) => Array.from({ length: s.coats }, (_, coatNo) => ({ s, coatNo })));
  const durationMs = coatMs(areaM2);
  const temps = filmOfArea(laying.weather, plan, boatPlan);
  const ends = coatEnds({ plan, sheets: coats.map(({ s }) => s), durationMs, temps, now });
  for (const [i, end] of ends.entries()) {
    const { s, coatNo } = coats[i] as (typeof coats)[number];
    const need = stackNeed({ areaM2, spread: 0.05, steps: [s] }).steps[0];
    const at = laying.weather.hours.find(
      (h) => h.at <= end - durationMs && h.at + HOUR_MS > end - durationMs,
    );
    const body: CoatBody = {
      stepId: s.id,
      coatNo,
      productId: s.productId,
      sheetVersion: 1,
      colour: s.colours[coatNo % s.colours.length] ?? '',
      method: s.method,
      // Not every coat comes out at its figure: a few per cent more or less, as in life.
      litres: Number(((need?.litresPerCoat ?? 0.1) * (0.95 + 0.03 * (i % 4))).toFixed(2)),
      thinner: 0,
      areaM2: Number(areaM2.toFixed(1)),
      endedAt: new Date(end).toISOString(),
      conditions: at ? { airC: at.airC, rh: at.rh, surfaceC: null, source: 'measured' } : null,
      batchIds: [],
      by: HANDS[i % HANDS.length] ?? '',
      note: '',
    };
    await insertEntry(tx, {
      id: newId(),
      boatId,
      areaId,
      kind: 'coat',
      at: new Date(end - durationMs).toISOString(),
      recordedAt: new Date(end),
      corrects: null,
      body,
    });
  }
  if (potMixedMinutesAgo !== undefined)
    await mixPot(laying, boatId, areaId, coats[applied], areaM2, potMixedMinutesAgo);
}

async function mixPot(
  { tx, newId, now }: Laying,
  boatId: string,
  areaId: string,
  coat:
    | {
        s: {
          id: string;
          productId: string;
          sheet: ProductSheet;
          dryMicronsPerCoat: number;
          method: Parameters<typeof lossOf>[0];
        };
        coatNo: number;
      }
    | undefined,
  areaM2: number,
  minutesAgo: number,
): Promise<void> {
  if (!coat) return;
  const { s, coatNo } = coat;
  const at = new Date(now - minutesAgo * 60_000);
  const litres =
    Math.round(
      ((areaM2 * s.dryMicronsPerCoat) / (1000 * s.sheet.volumeSolids * (1 - lossOf(s.method)))) * 10,
    ) / 10;
  const whole = s.sheet.parts.reduce((sum, part) => sum + part.ratio, 0);
  await insertEntry(tx, {
    id: newId(),
    boatId,
    areaId,
    kind: 'batch',
    at: at.toISOString(),
    recordedAt: at,
    corrects: null,
    body: {
      stepId: s.id,
      coatNo,
      productId: s.productId,
      sheetVersion: 1,
      litres,
      pours: s.sheet.parts.map((part) => ({
        name: part.name,
        amount: Math.round((litres * 1000 * part.ratio) / whole),
        unit: 'ml' as const,
      })),
      tool: { kind: 'cup', stepMl: 10 },
      ratioError: 0,
      thinnerLitres: 0,
      potTempC: 16,
      inductionMin: s.sheet.inductionMin ?? 0,
      potLifeMin: s.sheet.potLife[0]?.minutes ?? null,
    },
  });
}
