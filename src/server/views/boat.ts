import type { BoatView, FormView } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { surveyRows } from '../memory/boatRows.ts';
import { areasOfBoat } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { formOfBoat, shapeOf } from '../rows/forms.ts';

/** A boat with her areas, their clocks and what the survey found. @throws {Missing} */
export async function boatView({ db, memory, now }: Context, boatId: string): Promise<BoatView> {
  const { states, clocks, boat: kept } = await memory.some(now(), { boatId });
  const boat = kept?.boat ?? (await theBoat(db, boatId));
  const shape = kept?.shape ?? shapeOf(await formOfBoat(db, boatId));
  return {
    boat,
    areas: states.map(({ area }) => area),
    clocks: [...clocks],
    ...(await surveyRows(db, boatId, kept)),
    form: shape.table,
    formSource: shape.source,
  };
}

/** The known shape of a boat. @throws {Missing} */
export async function formView({ db }: Pick<Context, 'db'>, boatId: string): Promise<FormView> {
  const boat = await theBoat(db, boatId);
  const { meshFile: _, ...form } = await formOfBoat(db, boatId);
  const areas = (await areasOfBoat(db, boatId)).filter(({ archived }) => !archived);
  return { boat, form, source: shapeOf(form).source, areas };
}
