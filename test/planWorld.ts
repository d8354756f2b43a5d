import { type CurvePoint, eventTime } from '../src/core/cure/index.ts';
import type { AreaToPlan, CoatToPlan, TimedTask, YardPlan, YardToPlan } from '../src/core/plan/index.ts';

/** A plan followed to the minute: the cure clock is run on each film that was applied, and what goes wrong is told. */

type Applied = TimedTask & { fromMs: number; toMs: number };

/** What the clock says of one session's film. */
function clockOf({ sheet }: CoatToPlan, { fromMs, toMs }: Applied, temps: AreaToPlan['temps']) {
  const at = (points: readonly CurvePoint[] | null | undefined, laidAt: number) =>
    eventTime({ curve: { points: points ?? [], stopC: sheet.stopC }, temps, laidAt }).at ??
    Number.POSITIVE_INFINITY;
  const [rule] = sheet.overcoat;
  return {
    mayMs: at(rule?.min, toMs),
    mustMs: rule?.chemicalMax ? at(rule.chemicalMax, fromMs) : Number.POSITIVE_INFINITY,
    sandableMs: at(sheet.events.sandable, toMs),
    waterMs: at(sheet.events.immersion, toMs),
  };
}

const sessionsOf = ({ id }: CoatToPlan, { tasks }: YardPlan): Applied[] =>
  tasks
    .filter(({ kind, coatId }) => kind === 'coat' && coatId === id)
    .map((task) => ({ ...task, fromMs: task.startMs + task.getReadyMs, toMs: task.endMs - task.cleanUpMs }));

/** Of one session: its length, its air. */
function wrongInItself(coat: CoatToPlan, one: Applied): string[] {
  const inTime = Math.abs(one.toMs - one.fromMs - coat.applyMs) <= 1;
  const inAir = coat.starts.some(({ fromMs, toMs }) => fromMs <= one.fromMs && one.fromMs <= toMs);
  return [
    ...(inTime ? [] : [`${one.id} is not applied in its time`]),
    ...(inAir ? [] : [`${one.id} is begun in bad air`]),
  ];
}

/** Of a session over another: too soon, too late without sanding, sanded while it clogs the paper. */
function wrongOver(
  one: Applied,
  clock: ReturnType<typeof clockOf>,
  next: Applied,
  sanded: boolean,
): string[] {
  const wrong = next.fromMs < clock.mayMs ? [`${next.id} is on ${one.id} too soon`] : [];
  // Of a coat in sessions its first decides; the windows of the others close later.
  if (one.session[0] > 0) return wrong;
  const sandedMs = next.sandMs > 0 ? next.startMs - next.sandMs : null;
  if (!sanded && sandedMs === null && next.fromMs > clock.mustMs)
    wrong.push(`${next.id} is on ${one.id} too late`);
  if (sandedMs !== null && sandedMs < clock.sandableMs)
    wrong.push(`sanding before ${next.id} clogs the paper`);
  return wrong;
}

function wrongOnArea({ coats, temps }: AreaToPlan, plan: YardPlan): string[] {
  return coats.flatMap((coat, i) => {
    const over = coats[i + 1];
    const sandings = new Set(over?.work.flatMap(({ kind, id }) => (kind === 'sand' ? [id] : [])) ?? []);
    const sanding = plan.tasks.filter(
      ({ coatId, workId }) => coatId === over?.id && workId !== null && sandings.has(workId),
    );
    return sessionsOf(coat, plan).flatMap((one) => {
      const clock = clockOf(coat, one, temps);
      const launch = plan.tasks.find(({ kind, boatId }) => kind === 'launch' && boatId === one.boatId);
      const isWet = !over && (launch?.startMs ?? 0) < clock.waterMs;
      return [
        ...wrongInItself(coat, one),
        ...sanding
          .filter(({ startMs }) => startMs < clock.sandableMs)
          .map(({ id }) => `${id} clogs the paper`),
        ...(over ? sessionsOf(over, plan) : []).flatMap((next) =>
          wrongOver(one, clock, next, sandings.size > 0),
        ),
        ...(isWet ? [`${one.id} is wetted too soon`] : []),
      ];
    });
  });
}

/** Of a person: two places at once, work outside the hours. */
function wrongFor(who: YardToPlan['people'][number], plan: YardPlan): string[] {
  const busy = plan.tasks
    .filter(({ people }) => people.includes(who.id))
    .map(({ startMs, endMs, sandMs, id }) => ({ id, from: startMs - sandMs, to: endMs }))
    .sort((a, b) => a.from - b.from);
  return busy.flatMap(({ id, from, to }, i) => [
    ...((busy[i + 1]?.from ?? to) < to ? [`${who.id} is at ${id} and at ${busy[i + 1]?.id} at once`] : []),
    ...(who.free.some(({ fromMs, toMs }) => fromMs <= from && to <= toMs)
      ? []
      : [`${who.id} works outside the hours at ${id}`]),
  ]);
}

/** What goes wrong where the plan is followed to the minute; none: nothing. */
export const wrongInTheWorld = (yard: YardToPlan, plan: YardPlan): string[] => [
  ...yard.areas.flatMap((area) => wrongOnArea(area, plan)),
  ...yard.people.flatMap((who) => wrongFor(who, plan)),
];
