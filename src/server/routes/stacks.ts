import { eq } from 'drizzle-orm';
import { Router } from 'express';
import { v7 as uuidv7 } from 'uuid';
import { type StackInput, stackForAreas, stackInput } from '../../contract/index.ts';
import { checkStack, layerOfStep } from '../../core/system/index.ts';
import { tell } from '../../core/units/index.ts';
import { type AreaState, loadAreaStates, loadShelf, type Shelf } from '../clock/load.ts';
import type { Context } from '../context.ts';
import type { Queries, Tx } from '../db/open.ts';
import { area, step } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { findBoat } from './boats.ts';
import { stackView } from './stackView.ts';

async function findState(db: Queries, id: string): Promise<AreaState> {
  const [state] = await loadAreaStates(db, { areaId: id });
  if (!state) throw notFound('area', id);
  return state;
}

/** A "no" of the rules stands unless it is overruled by name, with a reason. */
function checkRules(state: AreaState, input: StackInput, shelf: Shelf): void {
  const layers = input.steps.map((each, i) => {
    const sheet = shelf.latest.get(each.productId)?.sheet;
    if (!sheet) {
      throw badFields([{ path: `steps.${i}.productId`, message: `product ${each.productId} is not known` }]);
    }
    return layerOfStep(each, sheet);
  });
  const { substrate, oldCoating, service } = state.area;
  const judged = checkStack(layers, { substrate, oldCoating, service, coldestC: null });
  const refused = judged.layers.flatMap(({ judgements }, i) =>
    judgements
      .filter(
        ({ verdict, ruleId }) => verdict === 'no' && !input.steps[i]?.overrule?.ruleIds.includes(ruleId),
      )
      .map(({ reason }) => ({
        path: `steps.${i}.overrule`,
        message: `${tell(reason, 'metric')}. To lay it all the same, say why: the reason stays on the record`,
      })),
  );
  if (refused.length > 0) throw badFields(refused);
}

/** Puts a stack on an area, under its version and the rules. */
async function keepStack(tx: Tx, state: AreaState, input: StackInput, shelf: Shelf): Promise<void> {
  if (state.area.part?.sharesSystem) {
    throw new HttpProblem(
      409,
      'Shares a system',
      `${state.area.name} takes the system of the area it was cut out of; change it there, or give it one of its own in the survey.`,
    );
  }
  if (state.stackVersion !== input.version) {
    throw conflict('system', stackView(state, { shelf, hours: [], now: 0 }), input);
  }
  checkRules(state, input, shelf);
  await replaceSteps(tx, state.area.id, input);
  await tx
    .update(area)
    .set({ stackVersion: input.version + 1 })
    .where(eq(area.id, state.area.id));
}

async function replaceSteps(tx: Tx, areaId: string, input: StackInput): Promise<void> {
  await tx.delete(step).where(eq(step.areaId, areaId));
  if (input.steps.length > 0) {
    await tx.insert(step).values(input.steps.map((s, position) => ({ ...s, areaId, position })));
  }
}

export function stackRoutes({ db, live, memory, now }: Context): Router {
  const router = guardIds(Router());

  router.get('/boats/:id/stacks', async (req, res) => {
    await findBoat(db, req.params.id);
    const at = now();
    const known = await memory.some(at, { boatId: req.params.id });
    res.json(known.states.map((state) => stackView(state, { ...known, now: at })));
  });

  router.put('/areas/:id/stack', async (req, res) => {
    const input = accept(stackInput, req.body);
    const at = now();
    const { hours } = await memory.some(at, { areaId: req.params.id });
    const saved = await db.transaction(async (tx) => {
      const shelf = await loadShelf(tx);
      const state = await findState(tx, req.params.id);
      await keepStack(tx, state, input, shelf);
      return stackView(await findState(tx, req.params.id), { shelf, hours, now: at });
    });
    live.tell('stacks');
    res.json(saved);
  });

  /** One stack for several areas: all or none. Each area gets steps of its own. */
  router.post('/boats/:id/stacks', async (req, res) => {
    const { areaIds, steps } = accept(stackForAreas, req.body);
    await db.transaction(async (tx) => {
      const shelf = await loadShelf(tx);
      for (const [i, areaId] of areaIds.entries()) {
        const state = await findState(tx, areaId);
        if (state.boat.id !== req.params.id) {
          throw badFields([{ path: `areaIds.${i}`, message: 'an area of another boat' }]);
        }
        if (state.coats.length > 0) {
          throw badFields([{ path: `areaIds.${i}`, message: `${state.area.name} has coats on it already` }]);
        }
        const own = steps.map((each) => ({ ...each, id: uuidv7() }));
        await keepStack(tx, state, { steps: own, version: state.stackVersion }, shelf);
      }
    });
    live.tell('stacks');
    res.json(areaIds);
  });
  return router;
}
