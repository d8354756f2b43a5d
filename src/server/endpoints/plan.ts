import {
  leverReply,
  leversOf,
  leversReply,
  planOddsQuery,
  planOddsReply,
  planReply,
  planSetup,
  planWithQuery,
} from '../../contract/index.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { areaById } from '../rows/areas.ts';
import { boatById } from '../rows/boats.ts';
import { planSetupOf, putPlanSetup } from '../rows/plan.ts';
import { leversView, planWith } from '../views/plan/levers.ts';
import { planOdds } from '../views/plan/planOdds.ts';
import { planView } from '../views/plan/planView.ts';

/** The plan: what is done when and by whom until the boats are afloat. */

export const planEndpoints = [
  read({
    path: '/plan',
    summary: 'The plan: tasks, people, launches, cost, and what clashes',
    reply: planReply,
    run: (_asked, context) => planView(context),
  }),
  read({
    path: '/plan/levers',
    summary: 'What a second person, longer days, a tent and the like would change',
    reply: leversReply,
    run: (_asked, context) => leversView(context),
  }),
  read({
    path: '/plan/with',
    summary: 'The plan with some of these changes together',
    query: planWithQuery,
    reply: leverReply,
    run: async ({ query }, context) => {
      const levers = leversOf(query.levers);
      return (await planWith(context, levers)) ?? { levers, launch: null, cost: null, leftOut: 0 };
    },
  }),
  read({
    path: '/plan/odds',
    summary: 'How the plan comes out in draws of the weather, some at a time',
    query: planOddsQuery,
    reply: planOddsReply,
    run: ({ query }, context) => planOdds(context, query),
  }),
  write({
    method: 'put',
    path: '/plan/setup',
    summary: 'Set people, working hours, wanted dates and tasks placed by hand',
    body: planSetup,
    reply: planSetup,
    touches: ['plan'],
    replaces: { what: 'plan', find: (tx) => planSetupOf(tx) },
    run: async ({ body }, { tx }) => {
      for (const [i, { boatId }] of body.boats.entries())
        if (!(await boatById(tx, boatId)))
          throw badFields([{ path: `boats.${i}.boatId`, message: `there is no boat ${boatId}` }]);
      for (const [i, { areaId }] of body.extraWork.entries())
        if (!(await areaById(tx, areaId)))
          throw badFields([{ path: `extraWork.${i}.areaId`, message: `there is no area ${areaId}` }]);
      await putPlanSetup(tx, body);
      return { reply: await planSetupOf(tx), changes: [{ of: 'plan' as const }] };
    },
  }),
];
