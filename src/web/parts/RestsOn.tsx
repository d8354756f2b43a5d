import { Link } from 'react-router';
import { type ProductSheet, type RestingFigure, restsOn } from '../../core/system/index.ts';
import { counted } from '../words/counted.ts';
import { TYPICAL_WORDS } from '../words/typical.ts';

interface Props {
  productId: string;
  sheet: Pick<ProductSheet, 'typical'>;
  figures: readonly RestingFigure[];
}

/** Says that a figure rests on values from memory, which ones, and where to confirm them; nothing where it does not. */
export function RestsOn({ productId, sheet, figures }: Props) {
  const fields = [...new Set(figures.flatMap((figure) => restsOn(sheet, figure)))];
  if (fields.length === 0) return null;
  return (
    <p className="text-warning font-semibold">
      Rests on {counted(fields.length, 'typical value')}, from memory:{' '}
      {fields.map((field) => TYPICAL_WORDS[field]).join(', ')}.{' '}
      <Link className="link" to={`/materials/${productId}`}>
        Confirm from the tin
      </Link>
    </p>
  );
}
