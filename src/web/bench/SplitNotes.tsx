import type { Addition, Batch, MixPart, Split } from '../../core/mix/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { figure, fromCanonical } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  sheet: ProductSheet;
  /** The parts as they are mixed, at an own ratio or the sheet's. */
  parts: readonly MixPart[];
  asked: Split;
  better: Batch['better'];
  thinner: Addition;
  inductionMin: number;
  /** Poured otherwise than asked: what the rounding leaves is then of no use. */
  isOtherwise: boolean;
  onTake: (litres: number) => void;
}

const percent = (fraction: number) => `${(fraction * 100).toFixed(1)} %`;
/** A batch that falls short by less is not spoken of. */
const SHORT = 0.02;
const isExact = (error: number) => Math.abs(error) < 0.0005;

/** Notes on a rounded batch: the error left, the shortfall, a similar size that fits the graduations, the thinner. */
export function SplitNotes({
  sheet,
  parts,
  asked,
  better,
  thinner,
  inductionMin,
  isOtherwise,
  onTake,
}: Props) {
  const { show, system } = useUnits();
  const size = ({ litres, total }: Split) =>
    litres === null
      ? `${figure(Math.round(fromCanonical(total / 1000, system === 'us' ? 'oz' : 'g')))} ${system === 'us' ? 'oz' : 'g'}`
      : show(litres, 'volume');
  return (
    <>
      {parts.length > 1 && !isOtherwise && (
        <Why
          figure={
            asked.withinTolerance ? (
              <span>
                {t`Ratio ${parts.map((p) => p.ratio).join(' : ')} by ${sheet.ratioBy}, ${
                  isExact(asked.ratioError)
                    ? 'exact'
                    : t`${percent(Math.abs(asked.ratioError))} off after rounding`
                }`}
              </span>
            ) : (
              <strong className="text-error">{t`Ratio ${percent(Math.abs(asked.ratioError))} off. This tool is too coarse for this batch.`}</strong>
            )
          }
        >
          <p>{t`Each part is rounded to the tool’s graduations. Allowed error: ±${Math.round((sheet.ratioTolerance ?? 0.05) * 100)} %${sheet.ratioTolerance === null ? t` (common practice; not on the data sheet)` : t` (data sheet)`}.`}</p>
        </Why>
      )}
      {asked.sizeError < -SHORT && !isOtherwise && (
        <p className="text-warning font-semibold">{t`Rounding to the tool’s graduations makes this batch ${Math.round(-asked.sizeError * 100)} % smaller than you asked for.`}</p>
      )}
      {better && !isOtherwise && (
        <p>
          {isExact(better.split.ratioError)
            ? t`A batch of ${size(better.split)} can be measured exactly with this tool.`
            : t`A batch of ${size(better.split)} measures to within ${percent(Math.abs(better.split.ratioError))} of the ratio with this tool.`}{' '}
          <button type="button" className="btn target" onClick={() => onTake(better.litres)}>
            {t`Use ${size(better.split)}`}
          </button>
        </p>
      )}
      {thinner.litres > 0 && (
        <p className={thinner.verdict === 'within' ? '' : 'text-error font-semibold'}>
          {thinner.name}: {show(thinner.litres, 'volume')}
          {inductionMin > 0 && t`, after the standing time`}.{' '}
          {thinner.verdict === 'over-limit' &&
            t`Over the data sheet’s limit of ${percent(thinner.maxFraction ?? 0)}.`}
          {thinner.verdict === 'limit-not-stated' &&
            t`The data sheet gives no amount. Ask the manufacturer; 5–10 % is common practice.`}
          {thinner.verdict === 'not-on-sheet' && t`The data sheet names no thinner. Don’t add any.`}
        </p>
      )}
    </>
  );
}
