import { moment, QuantityError } from '../units/index.ts';

/** A stretch of dark, ms. */
export interface Dark {
  fromMs: number;
  toMs: number;
}

/**
 * When it is dark before the last corner of a coat begun in daylight: the moment, or null where light lasts. A coat begun in
 * the dark is applied by lamps, whose light does not end.
 *
 * `darkBeforeEnd({ startMs: 14 h, endMs: 17 h, nights: [{ fromMs: 16 h, toMs: 32 h }] })` → 16 h.
 *
 * @throws {QuantityError} on times out of their order
 */
export function darkBeforeEnd(input: {
  startMs: number;
  endMs: number;
  nights: readonly Dark[];
}): number | null {
  const startMs = moment('start of application', input.startMs);
  const endMs = moment('end of application', input.endMs);
  if (endMs < startMs)
    throw new QuantityError('end of application', endMs, `at or after its start (${startMs})`);
  if (isDark(startMs, input.nights)) return null;
  return input.nights.find(({ fromMs }) => fromMs > startMs && fromMs < endMs)?.fromMs ?? null;
}

/** Whether a moment falls into the dark. @throws {QuantityError} on a night out of its order */
export function isDark(ms: number, nights: readonly Dark[]): boolean {
  const at = moment('moment', ms);
  return nights.some(({ fromMs, toMs }) => {
    if (moment('end of a night', toMs) < moment('beginning of a night', fromMs))
      throw new QuantityError('end of a night', toMs, `at or after its start (${fromMs})`);
    return at >= fromMs && at < toMs;
  });
}
