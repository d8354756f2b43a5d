import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { DateTime } from 'luxon';
import type { Boat, MeshRecord, PartOf } from '../src/contract/index.ts';
import {
  areasFromMesh,
  formFromDimensions,
  type Hull,
  halfBreadthAt,
  hasHull,
  hullCuts,
  hydrostaticsOfMesh,
  type OffsetTable,
  offsetsFromMesh,
  type Placement,
  placeMesh,
  sheerAt,
  writeStl,
} from '../src/core/hull/index.ts';
import type { MadeMark, ReferenceMark } from '../src/core/waterline/index.ts';
import type { Tx } from '../src/server/db/open.ts';
import { area, bareItem, boat, finding, hullForm, stand, waterline } from '../src/server/db/schema.ts';
import { toArea } from '../src/server/rows/areas.ts';
import { toBoat } from '../src/server/rows/boats.ts';
import { meshOfForm } from './hullMesh.ts';
import { DEMO_LINE, DEMO_SURVEYS, type DemoSurvey } from './surveyPlan.ts';

const DAY_MS = 24 * 3_600_000;

interface Laying {
  tx: Tx;
  newId: () => string;
  now: number;
  zone: string;
}

/** Stands, leave-bare lists, findings, hull forms and the ketch's line, added to the boats. */
export async function laySurvey(laying: Laying & { folder: string | null }): Promise<void> {
  const boats = (await laying.tx.select().from(boat)).map(toBoat);
  const named = (name: string) => {
    const found = boats.find((each) => each.name === name);
    if (!found || !hasHull(found)) throw new Error(`the demo has no hull ${name}`);
    return found;
  };
  for (const survey of DEMO_SURVEYS) await layOne(laying, named(survey.boat), survey);
  await layLine(laying, named(DEMO_LINE.boat));
  const cutter = named('Old Tansy');
  await laying.tx.insert(hullForm).values({ boatId: cutter.id, offsets: coarse(formFromDimensions(cutter)) });
  await layMesh(laying, named('Grey Phalarope'), laying.folder);
}

async function layOne(
  { tx, newId, now, zone }: Laying,
  { id: boatId }: Boat,
  survey: DemoSurvey,
): Promise<void> {
  const areas = (await tx.select().from(area)).filter((row) => row.boatId === boatId).map(toArea);
  const idOf = (name: string | null) =>
    name === null ? null : (areas.find((each) => each.name === name)?.id ?? null);
  for (const { hides, shiftInDays, ...plan } of survey.stands) {
    const standId = newId();
    const day = DateTime.fromMillis(now, { zone }).plus({ days: shiftInDays ?? 0 });
    await tx
      .insert(stand)
      .values({ id: standId, boatId, ...plan, shiftOn: shiftInDays === null ? null : day.toISODate() });
    for (const name of hides) {
      const origin = areas.find((each) => each.name === name);
      if (!origin) throw new Error(`the demo has no area ${name}`);
      const { version: _v, archived: _a, part: _p, ...like } = origin;
      const part: Omit<PartOf, 'areaId'> = {
        kind: 'patch',
        standId,
        sharesSystem: true,
        at: new Date(now - 30 * DAY_MS).toISOString(),
      };
      await tx.insert(area).values({
        ...like,
        id: newId(),
        name: `${origin.name}, under ${plan.name.toLowerCase()}`,
        side: plan.side === 'centre' ? origin.side : plan.side,
        measures: [
          {
            shape: { kind: 'rectangle', lengthM: plan.lengthM, widthM: plan.widthM },
            count: 1,
            opening: false,
            note: 'pad',
          },
        ],
        partOf: origin.id,
        part,
      });
    }
  }
  for (const { on, ...item } of survey.bare) {
    await tx.insert(bareItem).values({ id: newId(), boatId, areaId: idOf(on), ...item });
  }
  for (const { on, daysAgo, ...plan } of survey.findings) {
    await tx.insert(finding).values({
      id: newId(),
      boatId,
      areaId: idOf(on),
      at: new Date(now - daysAgo * DAY_MS),
      photoIds: [],
      ...plan,
    });
  }
}

/** The ketch's marks as they would be read on a boat that stands trimmed and heeled. */
async function layLine({ tx, newId }: Laying, ketch: Hull<Boat>): Promise<void> {
  const form = formFromDimensions(ketch);
  const rad = Math.PI / 180;
  const { trimDeg, heelDeg, aftMm } = DEMO_LINE;
  const height = (xM: number, yM: number, zM: number) =>
    aftMm +
    1000 *
      (Math.sin(trimDeg * rad) * xM +
        Math.cos(trimDeg * rad) * (Math.sin(heelDeg * rad) * yM + Math.cos(heelDeg * rad) * zM));
  const marks = DEMO_LINE.marks.map((plan): ReferenceMark => {
    const sheer = sheerAt(form, plan.xM);
    const zM = plan.kind === 'sheer' ? (sheer?.z ?? 0) : (plan.aboveMm ?? 0) / 1000;
    const y = plan.kind === 'sheer' ? (sheer?.y ?? 0) : (halfBreadthAt(form, plan.xM, zM) ?? 0);
    return {
      id: newId(),
      name: plan.name,
      kind: plan.kind,
      side: plan.side,
      xM: plan.xM,
      yM: null,
      readingMm: Math.round(height(plan.xM, plan.side === 'port' ? -y : y, zM) + plan.wrongMm),
      aboveLineMm: Math.round(zM * 1000),
    };
  });
  // Marks made along the port side by a steady but human hand, one of them slipped.
  const madeMarks = Array.from({ length: 15 }, (_, i): MadeMark => {
    const xM = 1.5 + i * 0.5;
    const offMm = 4 * Math.sin(i * 1.9) + 3 * Math.sin(i / 2.2) + (i === 9 ? 26 : 0);
    const zM = (67 + offMm) / 1000;
    const y = halfBreadthAt(form, xM, zM) ?? 0;
    return { id: newId(), side: 'port', xM, readingMm: Math.round(height(xM, -y, zM)) };
  });
  await tx.insert(waterline).values({ boatId: ketch.id, plan: { ...DEMO_LINE.plan, marks, madeMarks } });
}

/** A form as a person would have lifted it off the hull: eleven stations, round centimetres. */
function coarse(form: OffsetTable): OffsetTable {
  const last = form.stationsM.at(-1) as number;
  const stationsM = Array.from({ length: 11 }, (_, i) => Number(((last * i) / 10).toFixed(2)));
  const every = <T>(list: readonly T[], step: number) => list.filter((_, i) => i % step === 0);
  const waterlinesM = every(form.waterlinesM, 4).map((z) => Number(z.toFixed(2)));
  const round = (m: number) => Number(m.toFixed(3));
  const sheer = stationsM.map((x) => {
    const at = sheerAt(form, x);
    return at && { zM: round(at.z), yM: round(at.y) };
  });
  return {
    stationsM,
    waterlinesM,
    sheer,
    halfBreadthsM: stationsM.map((x, s) =>
      waterlinesM.map((z) => {
        const y = z >= (sheer[s]?.zM ?? 0) ? null : halfBreadthAt(form, x, z);
        return y === null ? null : round(y);
      }),
    ),
  };
}

async function layMesh({ tx }: Laying, tender: Hull<Boat>, folder: string | null): Promise<void> {
  const triangles = meshOfForm(formFromDimensions({ ...tender, fine: 5 }));
  const bytes = writeStl(triangles);
  const placement: Placement = {
    unit: 'mm',
    up: '+z',
    bow: '+x',
    half: false,
    heelDeg: 0,
    trimDeg: 0,
    waterlineM: Number(lowestOf(triangles).toFixed(3)),
  };
  const placed = placeMesh(triangles, placement);
  const cuts: MeshRecord['cuts'] = {
    topOfPaintM: 0.05,
    stripe: { lowerM: 0.07, upperM: 0.16 },
    transomXM: null,
    keel: null,
    sheer: null,
    stationsM: [],
  };
  const { planes, zones } = hullCuts(cuts);
  const found = areasFromMesh({ triangles: placed, planes, zones });
  const mesh: MeshRecord = {
    fileName: 'tender scan.stl',
    bytes: bytes.length,
    faces: triangles.length / 9,
    placement,
    cuts,
    zones: zones.map(({ name, zone }, i) => ({
      name,
      zone,
      portM2: found.zones[i]?.portM2 ?? 0,
      starboardM2: found.zones[i]?.starboardM2 ?? 0,
    })),
    hydrostatics: hydrostaticsOfMesh({ triangles: placed }),
    warnings: ['open edges along the sheer, as is natural'],
    table: offsetsFromMesh({ triangles: placed, stations: 41, waterlines: 36 }),
  };
  const meshFile = folder ? `${tender.id}.mesh` : null;
  await tx.insert(hullForm).values({ boatId: tender.id, mesh, meshFile });
  if (!folder) return;
  await mkdir(`${folder}.files`, { recursive: true });
  await writeFile(path.join(`${folder}.files`, `${tender.id}.mesh`), bytes);
}

/** Depth of the lowest corner below the waterline at 0, m; the file is in mm. */
function lowestOf(triangles: Float32Array): number {
  let low = 0;
  for (let i = 2; i < triangles.length; i += 3) low = Math.min(low, triangles[i] as number);
  return -low / 1000;
}
