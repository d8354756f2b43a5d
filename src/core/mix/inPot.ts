import { within } from '../units/index.ts';

/**
 * The contents of a pot, l: everything poured into it, a reducer that counts as a part and thinner too, not only the paint in it. What
 * was weighed has no volume of its own here: of it the paint counts.
 *
 * 67.5 ml each of the parts of a 2 : 1 : 1 with twice as much base: 270 ml, of which 203 are paint.
 *
 * @param litres paint in it, without any reducer, l
 * @throws {QuantityError} on amounts that cannot be
 */
export function litresInPot(input: {
  litres: number;
  pours: readonly { amount: number; unit: 'g' | 'ml' }[];
  thinnerLitres: number;
  additives?: readonly { ml: number }[];
}): number {
  const paint = within('litres of the batch', input.litres, 0, 10_000);
  const poured = input.pours.reduce((sum, { amount }) => sum + within('amount poured', amount, 0, 1e7), 0);
  const added = (input.additives ?? []).reduce((sum, { ml }) => sum + within('additive (ml)', ml, 0, 1e6), 0);
  const thinner = within('thinner (l)', input.thinnerLitres, 0, 1000);
  const byVolume = input.pours.length > 0 && input.pours.every(({ unit }) => unit === 'ml');
  return (byVolume ? poured / 1000 : paint) + thinner + added / 1000;
}
