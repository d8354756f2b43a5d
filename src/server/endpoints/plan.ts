import { DateTime } from 'luxon';
import {
  leverReply,
  leversOf,
  leversReply,
  planCalendarQuery,
  planOddsQuery,
  planOddsReply,
  planPlacesQuery,
  planPlacesReply,
  planRehearsalQuery,
  planRehearsalReply,
  planReply,
  planSetup,
  planWithQuery,
  writePlanCsv,
} from '../../contract/index.ts';
import type { YardToPlan } from '../../core/plan/index.ts';
import { t } from '../../words.ts';
import { csvFile, safeName } from '../documents/fileNames.ts';
import { planCalendar } from '../documents/planCalendar.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { badFields, notFound } from '../http/problem.ts';
import { areaById } from '../rows/areas.ts';
import { boatById } from '../rows/boats.ts';
import { planSetupOf, putPlanSetup } from '../rows/plan.ts';
import { theYard } from '../rows/yard.ts';
import { leversView, planWith } from '../views/plan/levers.ts';
import { planMade } from '../views/plan/planMade.ts';
import { planOdds } from '../views/plan/planOdds.ts';
import { planPdf } from '../views/plan/planPdf.ts';
import { planRehearsal } from '../views/plan/planRehearsal.ts';
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
    summary: 'The changes that can be tried: a second person, longer days, a tent and the like',
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
  read({
    path: '/plan/rehearsal',
    summary: 'The plan played through one draw of the weather, with what somebody decides otherwise',
    query: planRehearsalQuery,
    reply: planRehearsalReply,
    run: ({ query }, context) => planRehearsal(context, query),
  }),
  read({
    path: '/plan/places',
    summary: 'Where a task of the plan could be put, and what speaks against it elsewhere',
    query: planPlacesQuery,
    reply: planPlacesReply,
    run: async ({ query: { task } }, context) => {
      const { made } = await planMade(context);
      const plan = made?.found.plan;
      if (!plan?.tasks.some(({ id }) => id === task)) throw notFound('task', task);
      const places = await context.jobs.run('places', made?.found.yard as YardToPlan, plan, task);
      const iso = (ms: number) => new Date(ms).toISOString();
      return {
        key: made?.key ?? '',
        places: places.map(({ fromMs, toMs, ...place }) => ({ ...place, from: iso(fromMs), to: iso(toMs) })),
      };
    },
  }),
  handout({
    path: '/plan.csv',
    summary: 'The plan as a table',
    types: ['text/csv'],
    run: async (_asked, context) => {
      const view = await planView(context);
      const { zone } = (await context.memory.at(context.now())).yard;
      const local = (at: string) => DateTime.fromISO(at, { zone }).toFormat('yyyy-MM-dd HH:mm');
      return csvFile('plan', writePlanCsv(view, local));
    },
  }),
  handout({
    path: '/plan.pdf',
    summary: 'Get the plan as PDF: launches, and the work of each day',
    types: ['application/pdf'],
    run: async (_, context) => ({
      name: 'plan.pdf',
      type: 'application/pdf',
      content: await planPdf(await planView(context), await theYard(context.db)),
    }),
  }),
  handout({
    path: '/plan.ics',
    summary: 'Export the plan as iCalendar: one person, one boat, or everything',
    query: planCalendarQuery,
    types: ['text/calendar'],
    run: async ({ query: { person, boat } }, context) => {
      const { setup, boats, tasks } = await planView(context);
      const who = person === undefined ? null : setup.people.find(({ id }) => id === person);
      const whose = boat === undefined ? null : boats.find(({ boatId }) => boatId === boat);
      if (who === undefined) throw notFound('person', person ?? '');
      if (whose === undefined) throw notFound('boat', boat ?? '');
      const own = tasks
        .filter((task) => who === null || task.people.includes(who.name))
        .filter((task) => whose === null || task.boatId === whose.boatId);
      const name = [who?.name, whose?.boatName].filter((each) => each !== undefined).join(', ') || 'Plan';
      return { name: `${safeName(name)}.ics`, type: 'text/calendar', content: planCalendar(name, own) };
    },
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
          throw badFields([{ path: `boats.${i}.boatId`, message: t`there is no boat ${boatId}` }]);
      for (const [i, { boatId }] of (body.placeChanges ?? []).entries())
        if (!(await boatById(tx, boatId)))
          throw badFields([{ path: `placeChanges.${i}.boatId`, message: t`there is no boat ${boatId}` }]);
      for (const [i, { areaId }] of body.extraWork.entries())
        if (!(await areaById(tx, areaId)))
          throw badFields([{ path: `extraWork.${i}.areaId`, message: t`there is no area ${areaId}` }]);
      await putPlanSetup(tx, body);
      return { reply: await planSetupOf(tx), changes: [{ of: 'plan' as const }] };
    },
  }),
];
