import { useEffect, useState } from 'react';
import { createSpan, type Span, type SpanStore } from './span.ts';

const HOUR = 3_600_000;

/** The period shown at first: the last half day, and two and a half days to come. */
export const aroundNow = (now: number): Span => ({ from: now - 12 * HOUR, to: now + 60 * HOUR });

/** The stretch of time of a strip; its home moves along. */
export function useStripSpan({ from, to }: Span): SpanStore {
  const [store] = useState(() => createSpan({ from, to }));
  useEffect(() => store.setHome({ from, to }), [store, from, to]);
  return store;
}
