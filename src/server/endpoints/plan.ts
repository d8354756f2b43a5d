import { leversReply, planReply, planSetup } from '../../contract/index.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { boatById } from '../rows/boats.ts';
import { planSetupOf, putPlanSetup } from '../rows/plan.ts';
import { leversView } from '../views/plan/levers.ts';
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
      await putPlanSetup(tx, body);
      return { reply: await planSetupOf(tx), changes: [{ of: 'plan' as const }] };
    },
  }),
];
