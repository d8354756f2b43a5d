import type { Product, Step } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { counted } from '../words/counted.ts';

/** That a pot is mixed otherwise than the sheet says, and why. */
export function OwnRatioNote({ product, own }: { product: Product; own: NonNullable<Step['ownRatio']> }) {
  const { parts } = product.sheet;
  if (own.parts.length !== parts.length)
    return (
      <p
        role="alert"
        className="text-error font-semibold"
      >{t`The system’s custom ratio (${own.parts.join(' : ')}) doesn’t match the ${counted(parts.length, 'part')} on the data sheet, so the data sheet’s ratio is used. Correct the ratio in the system.`}</p>
    );
  return (
    <p className="text-warning font-semibold">
      {t`Custom ratio ${own.parts.join(' : ')} (data sheet: ${parts.map(({ ratio }) => ratio).join(' : ')}). Reason: ${own.reason}`}
    </p>
  );
}
