import { v7 as uuidv7 } from 'uuid';
import {
  aheadReply,
  benchQuery,
  benchReply,
  idsReply,
  lookAheadQuery,
  type StackInput,
  stackForAreas,
  stackInput,
  stackReply,
  stacksReply,
} from '../../contract/index.ts';
import { checkStack, layerOfStep } from '../../core/system/index.ts';
import { writeSentence } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { NO_AIR } from '../air/surfaces.ts';
import type { Tx } from '../db/open.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { type AreaSnapshot, loadAreaStates } from '../memory/areaStates.ts';
import { theArea } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { found } from '../rows/missing.ts';
import { loadCatalogue, type ProductCatalogue } from '../rows/products.ts';
import { replaceSteps, stepsElsewhere } from '../rows/stacks.ts';
import { benchView } from '../views/bench.ts';
import { lookAhead } from '../views/lookAhead.ts';
import { stackView } from '../views/stackView.ts';

async function stateOf(tx: Tx, areaId: string): Promise<AreaSnapshot> {
  const { boatId } = await theArea(tx, areaId);
  const states = await loadAreaStates(tx, boatId);
  return found(
    states.find(({ area }) => area.id === areaId),
    'area',
    areaId,
  );
}

/** A "no" of the rules stands unless it is overruled by name, with a reason. */
function checkRules(state: AreaSnapshot, input: StackInput, catalogue: ProductCatalogue): void {
  const layers = input.steps.map((each, i) => {
    const sheet = catalogue.latest.get(each.productId)?.sheet;
    if (!sheet) {
      throw badFields([
        { path: `steps.${i}.productId`, message: t`No data sheet with id ${each.productId}` },
      ]);
    }
    const { ownRatio } = each;
    if (ownRatio && ownRatio.parts.length !== sheet.parts.length) {
      throw badFields([
        {
          path: `steps.${i}.ownRatio.parts`,
          message: t`Custom ratio must have ${sheet.parts.length} parts, as on the data sheet, but has ${ownRatio.parts.length}`,
        },
      ]);
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
        message: t`${writeSentence(reason, 'metric')}. To apply anyway, enter a reason. The reason is kept on record`,
      })),
  );
  if (refused.length > 0) throw badFields(refused);
}

/** Puts a stack on an area, under the rules. */
async function keepStack(
  tx: Tx,
  state: AreaSnapshot,
  input: StackInput,
  catalogue: ProductCatalogue,
): Promise<void> {
  if (state.area.part?.sharesSystem) {
    throw new HttpProblem(
      409,
      'shared-system',
      t`${state.area.name} uses the system of the area it was split off from. Change the system there, or give ${state.area.name} its own system in the survey.`,
    );
  }
  const elsewhere = await stepsElsewhere(
    tx,
    state.area.id,
    input.steps.map(({ id }) => id),
  );
  const taken = input.steps.findIndex(({ id }) => elsewhere.has(id));
  if (taken >= 0)
    throw badFields([{ path: `steps.${taken}.id`, message: t`This step belongs to another area` }]);
  checkRules(state, input, catalogue);
  await replaceSteps(tx, state.area.id, input.steps, input.version + 1);
}

/** A heater asked about where nobody says otherwise, °C and W. */
const USUAL_HEAT_C = 15;
const USUAL_WATTS = 2000;
/** Air inside a tent over a boat of ten metres, m³ [M]. */
const USUAL_ROOM_M3 = 60;

export const stackEndpoints = [
  read({
    path: '/boats/:id/stacks',
    summary: 'The stacks of all areas of a boat',
    reply: stacksReply,
    run: async ({ params }, { db, memory, now }) => {
      await theBoat(db, params.id);
      const at = now();
      const known = await memory.some(at, { boatId: params.id });
      return known.states.map((state) => stackView(state, { ...known, now: at }));
    },
  }),
  write({
    method: 'put',
    path: '/areas/:id/stack',
    summary: 'Replace an area’s system',
    body: stackInput,
    reply: stackReply,
    touches: ['stacks'],
    replaces: {
      what: 'system',
      find: async (tx, params) => {
        const catalogue = await loadCatalogue(tx);
        return stackView(await stateOf(tx, params.id), { catalogue, air: NO_AIR, now: 0 });
      },
    },
    before: ({ params }) => ({ areaId: params.id }),
    run: async ({ params, body }, { tx, now, before }) => {
      const catalogue = await loadCatalogue(tx);
      const state = await stateOf(tx, params.id);
      await keepStack(tx, state, body, catalogue);
      const kept = await stateOf(tx, params.id);
      return {
        reply: stackView(kept, { catalogue, air: before?.air ?? NO_AIR, now }),
        changes: [{ of: 'stacks', boatId: state.boat.id }],
      };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/stacks',
    summary: 'Set one system for several areas without coats (all or none)',
    body: stackForAreas,
    reply: idsReply,
    touches: ['stacks'],
    run: async ({ params, body }, { tx }) => {
      const catalogue = await loadCatalogue(tx);
      for (const [i, areaId] of body.areaIds.entries()) {
        const state = await stateOf(tx, areaId);
        if (state.boat.id !== params.id) {
          throw badFields([{ path: `areaIds.${i}`, message: t`an area of another boat` }]);
        }
        if (state.coats.length > 0) {
          throw badFields([
            { path: `areaIds.${i}`, message: t`${state.area.name} already has coats applied` },
          ]);
        }
        const steps = body.steps.map((each) => ({ ...each, id: uuidv7() }));
        await keepStack(tx, state, { steps, version: state.stackVersion }, catalogue);
      }
      return { reply: body.areaIds, changes: [{ of: 'stacks', boatId: params.id }] };
    },
  }),
  read({
    path: '/bench/:areaId',
    summary: 'Get everything needed to apply an area’s next coat',
    query: benchQuery,
    reply: benchReply,
    run: ({ params, query }, context) =>
      benchView(context, params.areaId, {
        safeHours: query.safeHours === undefined ? null : Number(query.safeHours),
        otherPlace: {
          heatC: Number(query.heatC ?? USUAL_HEAT_C),
          watts: Number(query.watts ?? USUAL_WATTS),
          shell: query.shell ?? null,
          outsideM2: query.outsideM2 === undefined ? null : Number(query.outsideM2),
          airChangesPerH: query.changesTenths === undefined ? null : Number(query.changesTenths) / 10,
          litresPerH: Number(query.wetDl ?? 0) / 10,
          roomM3: Number(query.roomM3 ?? USUAL_ROOM_M3),
        },
      }),
  }),
  read({
    path: '/bench/:areaId/ahead',
    summary:
      'List start times that leave time for the next coat or a launch, or that suit a damp surface that is drying',
    query: lookAheadQuery,
    reply: aheadReply,
    run: ({ params, query }, context) => lookAhead(context, params.areaId, query),
  }),
];
