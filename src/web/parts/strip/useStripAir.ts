import { useStrip } from '../../api/queries.ts';
import { type SpanStore, useSpan } from './span.ts';

const DAY = 24 * 3_600_000;
/** How far back the air is fetched: more is asked for once somebody looks there. */
const BACK_DAYS = [3, 16, 129] as const;

/** The air that a strip shows, as far back as it is looked at. */
export function useStripAir(areaId: string | null, store: SpanStore, now: number) {
  const { from } = useSpan(store);
  const backDays = BACK_DAYS.find((days) => from >= now - days * DAY) ?? BACK_DAYS[2];
  return useStrip(areaId, backDays);
}
