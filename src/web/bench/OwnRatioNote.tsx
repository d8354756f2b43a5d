import type { Product, Step } from '../../contract/index.ts';

/** That a pot is mixed otherwise than the sheet says, and why. */
export function OwnRatioNote({ product, own }: { product: Product; own: NonNullable<Step['ownRatio']> }) {
  const { parts } = product.sheet;
  if (own.parts.length !== parts.length)
    return (
      <p role="alert" className="text-error font-semibold">
        The system has an own ratio of {own.parts.join(' : ')}, the sheet {parts.length}{' '}
        {parts.length === 1 ? 'part' : 'parts'}: mixed by the sheet. Put it right in the system.
      </p>
    );
  return (
    <p className="text-warning font-semibold">
      Custom ratio {own.parts.join(' : ')} (data sheet: {parts.map(({ ratio }) => ratio).join(' : ')}).
      Reason: {own.reason}
    </p>
  );
}
