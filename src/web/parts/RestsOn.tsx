import { Link } from 'react-router';
import { type ProductSheet, type RestingFigure, restsOn } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { counted } from '../words/counted.ts';
import { TYPICAL_WORDS } from '../words/typical.ts';

interface Props {
  productId: string;
  sheet: Pick<ProductSheet, 'typical'>;
  figures: readonly RestingFigure[];
}

/** The unconfirmed typical values that a figure uses, and where to confirm them; nothing if there are none. */
export function RestsOn({ productId, sheet, figures }: Props) {
  const fields = [...new Set(figures.flatMap((figure) => restsOn(sheet, figure)))];
  if (fields.length === 0) return null;
  return (
    <p className="text-warning font-semibold">
      {t`Uses ${counted(fields.length, 'unconfirmed typical value')}: ${fields.map((field) => TYPICAL_WORDS[field]).join(', ')}. `}
      <Link className="link" to={`/materials/${productId}`}>{t`Confirm from the tin`}</Link>
    </p>
  );
}
