import type { MethodPace, PaceView, TestedFilm } from '../../contract/index.ts';
import { correctFromHandTest, type HandCorrection, learnPace } from '../../core/cure/index.ts';
import type { Method } from '../../core/film/index.ts';
import { tempsFor } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { groupsOf } from '../memory/groupsOf.ts';
import { testsOn } from '../memory/handOn.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { takenPaces } from '../rows/paces.ts';
import { theProduct } from '../rows/products.ts';

interface Taught {
  method: Method;
  film: TestedFilm;
  correction: HandCorrection;
}

/** The tested films of a product on one area, as far back as there is weather data. */
function taughtOn(state: AreaSnapshot, productId: string, known: YardReading, now: number): Taught[] {
  const { air, catalogue } = known;
  const [first] = air.hours;
  if (state.handTests.length === 0 || !first) return [];
  return groupsOf(state).flatMap((coat) => {
    const body = coat.entries[0]?.body;
    const sheet = body && catalogue.sheetOf(body.productId, body.sheetVersion);
    if (!sheet || body.productId !== productId || coat.toMs < first.at) return [];
    const tests = testsOn(state, coat, now);
    if (tests.length === 0) return [];
    const correction = correctFromHandTest({
      film: { laidFromMs: coat.fromMs, laidToMs: coat.toMs, sheet: sheet.cure },
      temps: tempsFor(air, surfaceOf(state, catalogue)),
      tests,
    });
    const film = {
      areaId: state.area.id,
      areaName: state.area.name,
      boatName: state.boat.name,
      appliedTo: new Date(coat.toMs).toISOString(),
      found: tests.map(({ found }) => found),
      low: correction.low,
      high: correction.high,
      teaches: !correction.contradicts && !correction.silent && !correction.stuck?.notCuring,
    };
    return [{ method: body.method, film, correction }];
  });
}

/** How a product cures here by each method that was tested or taken over. @throws {Missing} */
export async function paceView({ db, memory, now }: Context, productId: string): Promise<PaceView> {
  await theProduct(db, productId);
  const at = now();
  const known = await memory.at(at);
  const taught = known.states.flatMap((state) => taughtOn(state, productId, known, at));
  const taken = await takenPaces(db, productId);
  const methods = [...new Set([...taught.map(({ method }) => method), ...taken.map(({ method }) => method)])];
  return {
    productId,
    methods: methods.map((method): MethodPace => {
      const own = taught.filter((each) => each.method === method);
      const held = taken.find((each) => each.method === method);
      return {
        method,
        ...learnPace(own.map(({ correction }) => correction)),
        tested: own.map(({ film }) => film),
        taken: held ? { factor: held.factor, films: held.films, at: held.takenAt.toISOString() } : null,
      };
    }),
  };
}
