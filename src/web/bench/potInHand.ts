import { useState } from 'react';
import type { Addition } from '../../core/mix/index.ts';
import { toCanonical, type UnitSystem } from '../../core/units/index.ts';

/** How warm the pot is: as the air, until somebody says otherwise. */
export function usePotTemp(airC: number | null): [number, (tempC: number) => void] {
  const [own, setOwn] = useState<number | null>(null);
  return [own ?? airC ?? 18, setOwn];
}

/** What goes into the pot beside its parts and has its label read now; thinner that waits for the standing time is called for at the pot. */
export const extrasOf = (
  additives: readonly { name: string }[],
  thinner: Pick<Addition, 'litres' | 'name'>,
  inductionMin: number,
): { of: 'additive' | 'thinner'; name: string }[] => [
  ...additives.map(({ name }) => ({ of: 'additive' as const, name })),
  ...(thinner.litres > 0 && inductionMin === 0 ? [{ of: 'thinner' as const, name: thinner.name }] : []),
];

/** A batch as somebody would ask for it: up to the next 10 ml, or half a US fluid ounce. */
export function roundUp(litres: number, system: UnitSystem): number {
  const step = system === 'us' ? toCanonical(0.5, 'usfloz') : 0.01;
  return Math.max(1, Math.ceil(litres / step - 1e-9)) / (1 / step);
}
