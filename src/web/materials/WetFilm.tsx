import { useFormContext, useWatch } from 'react-hook-form';
import { wetMicrons } from '../../core/film/index.ts';
import { parseQuantity } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import type { SheetValues } from './sheetValues.ts';

/** The wet film that leaves each dry one, to be held against what the paper says. */
export function WetFilm({ name }: { name: 'film' | `byMethod.${number}` }) {
  const { control } = useFormContext<SheetValues>();
  const { show, system } = useUnits();
  const [film, solids] = useWatch({ control, name: [name, 'solids'] });
  const texts = [film?.min, film?.typical, film?.max].flatMap((text) => {
    try {
      const dryMicrons = parseQuantity(text ?? '', 'film', system);
      const volumeSolids = Number(solids.replace(',', '.')) / 100;
      return [show(wetMicrons({ dryMicrons, volumeSolids, thinner: 0 }), 'film')];
    } catch {
      // Not typed yet; what cannot be read is refused on saving.
      return [];
    }
  });
  if (texts.length < 3) return null;
  return <p className="text-sm opacity-80">{t`Wet film, unthinned: ${texts.join(', ')}.`}</p>;
}
