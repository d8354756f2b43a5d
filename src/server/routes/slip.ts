import { Router } from 'express';
import type { AreaClock, AreaGlance, BenchView, SlipView } from '../../contract/index.ts';
import { judgeHours } from '../../core/air/index.ts';
import { urgencyMs } from '../../core/cure/index.ts';
import { limitsOf, stackNeed } from '../../core/system/index.ts';
import { hourAt, toWeatherHour } from '../clock/air.ts';
import { openPots } from '../clock/yardClocks.ts';
import type { Context } from '../context.ts';
import { toBoat } from '../db/rows.ts';
import { boat } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { notFound } from '../http/problem.ts';
import { bareTicks, oldLineAsked } from '../hull/ticks.ts';
import { profileOf } from './stackView.ts';

/** Hours ahead that the bench judges. */
const BENCH_HOURS = 36;

/** No foreman reads further; the boats below show the rest. */
const MOST_LINES = 60;

const urgency = (clock: AreaClock) =>
  urgencyMs({ state: clock.state, untilMs: clock.until === null ? null : Date.parse(clock.until) });

/** What each boat's thumbnail shows, by boat. */
function glances(clocks: readonly AreaClock[]): Map<string, AreaGlance[]> {
  const byBoat = new Map<string, AreaGlance[]>();
  for (const { boatId, areaId, areaName, zone, side, state, part } of clocks) {
    const list = byBoat.get(boatId) ?? [];
    list.push({ areaId, areaName, zone, side, state, part });
    byBoat.set(boatId, list);
  }
  return byBoat;
}

export function slipRoutes({ db, memory, now }: Context): Router {
  const router = guardIds(Router());

  /** What runs in the yard, soonest first, and every boat. */
  router.get('/slip', async (_req, res) => {
    const at = now();
    const known = await memory.at(at);
    const boats = (await db.select().from(boat)).map(toBoat).filter((b) => !b.archived);
    const hour = hourAt(known.hours, at);
    const areasOf = glances(known.clocks);
    const shapes = await memory.shapes();
    const sorted = known.clocks
      .map((clock) => ({ clock, at: urgency(clock) }))
      .sort((a, b) => a.at - b.at)
      .map(({ clock }) => clock);
    const view: SlipView = {
      now: new Date(at).toISOString(),
      boats: boats
        .map((b) => ({ ...b, areas: areasOf.get(b.id) ?? [], form: shapes.get(b.id)?.table ?? null }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      pots: await openPots(db, known, at),
      clocks: sorted.slice(0, MOST_LINES),
      more: Math.max(0, sorted.length - MOST_LINES),
      air: hour ? toWeatherHour(hour) : null,
    };
    res.json(view);
  });

  /** Everything for laying the next coat on one area. */
  router.get('/bench/:areaId', async (req, res) => {
    const at = now();
    const which = { areaId: req.params.areaId };
    const known = await memory.some(at, which);
    const [state] = known.states;
    const [clock] = known.clocks;
    if (!state || !clock) throw notFound('area', req.params.areaId);
    const step = state.steps.find((s) => s.id === clock.next?.stepId) ?? null;
    const product = (step && known.shelf.latest.get(step.productId)) ?? null;
    const need =
      step && product && clock.areaM2 > 0
        ? stackNeed({
            areaM2: clock.areaM2,
            spread: clock.spread,
            steps: [
              { ...step, coats: Math.max(step.coats, (clock.next?.coatNo ?? 0) + 1), sheet: product.sheet },
            ],
            profileMicrons: step === state.steps[0] ? (profileOf(state, known.shelf)?.microns ?? null) : null,
          }).steps[0]
        : undefined;
    const hour = hourAt(known.hours, at);
    const ahead = known.hours.filter((h) => h.at + 3_600_000 > at).slice(0, BENCH_HOURS);
    const view: BenchView = {
      now: new Date(at).toISOString(),
      boat: state.boat,
      area: state.area,
      clock,
      step,
      product: product ? { ...product, archived: false } : null,
      litresForCoat: need?.litresOfCoat[clock.next?.coatNo ?? 0] ?? null,
      air: hour ? toWeatherHour(hour) : null,
      hours: product
        ? judgeHours({
            hours: ahead,
            limits: limitsOf(product.sheet),
            surroundings: state.area.surroundings,
          }).map((h) => ({ ...h, at: new Date(h.at).toISOString() }))
        : [],
      pots: await openPots(db, known, at, which),
      bare: await bareTicks(db, state.area, clock.next),
      askOldLine: await oldLineAsked(db, state, clock),
    };
    res.json(view);
  });
  return router;
}
