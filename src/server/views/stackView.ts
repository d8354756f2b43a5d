import type { StackView } from '../../contract/index.ts';
import { extremesFrom, type HourOf } from '../../core/cure/index.ts';
import { type Air, tempsFor } from '../air/surfaces.ts';
import { appliedBonds } from '../memory/appliedBonds.ts';
import { areaClock } from '../memory/areaClock.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { groupFilm } from '../memory/coatFilm.ts';
import { groupsOf } from '../memory/groupsOf.ts';
import { profileOf } from '../memory/profileOf.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { ProductCatalogue } from '../rows/products.ts';

const hourView = ({ tempC, atMs }: HourOf) => ({ tempC, at: new Date(atMs).toISOString() });

/** An area's stack with the coats of each step that are wholly applied: how thick each came out, and how it holds. */
export function stackView(
  state: AreaSnapshot,
  context: { catalogue: ProductCatalogue; air: Air; now: number },
): StackView {
  const whole = groupsOf(state).filter((group) => group.complete);
  const bonds = appliedBonds(state, whole, context);
  const byStep = <T>(of: (group: (typeof whole)[number], i: number) => T) =>
    Object.fromEntries(
      state.steps.map((step) => [
        step.id,
        whole.flatMap((group, i) => (group.stepId === step.id ? [of(group, i)] : [])),
      ]),
    );
  const { air, now } = context;
  const found =
    air.hours.length > 0 ? extremesFrom(tempsFor(air, surfaceOf(state, context.catalogue)), now) : null;
  const clock = areaClock(state, context);
  const profile = profileOf(state, context.catalogue);
  const asApplied = byStep((group) => groupFilm(group, { state, catalogue: context.catalogue }) ?? 0);
  return {
    areaId: state.area.id,
    version: state.stackVersion,
    steps: state.steps,
    applied: Object.fromEntries(Object.entries(asApplied).map(([id, films]) => [id, films.length])),
    asApplied,
    missedStepId: clock.state === 'key-first' ? (clock.next?.stepId ?? null) : null,
    profile,
    bonds: byStep((_, i) => bonds[i] ?? null),
    extremes: found && { coldest: hourView(found.coldest), hottest: hourView(found.hottest) },
  };
}
