import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { useUnits } from '../units/UnitsContext.tsx';

/** How fast a coat is applied, and whose rate that is: “12 m²/h (typical)”. */
export const sayRate = (
  { m2PerH, isOwn }: NonNullable<BenchView['rate']>,
  show: ReturnType<typeof useUnits>['show'],
): string => `${show(m2PerH, 'area')}/h (${isOwn ? t`your rate` : t`typical`})`;
