import { Suspense } from 'react';
import type { Waterline } from '../../contract/index.ts';
import type { StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { heightUnit, sayHeight } from './heights.ts';

const FairChart = lazyPart(async () => (await import('./FairChart.tsx')).FairChart);

interface Props {
  plan: Waterline;
  struck: StruckLine | null;
  onChange: (some: Partial<Waterline>) => void;
}

/** Marks made by hand on the hull, faired: never joined dot to dot, the stray ones named. */
export function MadeMarks({ plan, struck, onChange }: Props) {
  const { system, symbol, show } = useUnits();
  const unit = heightUnit(system);
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-1">{t`Hull marks`}</legend>
      {plan.madeMarks.length === 0 ? (
        <p className="max-w-prose">{t`Walk the hull with your phone and record the height of each mark you made. A fair line is then fitted through them here. You can also import a CSV with the kind “made”.`}</p>
      ) : (
        <>
          <label className="block max-w-md">
            <span className="label-caps block pb-1">{t`Batten stiffness`}</span>
            <input
              type="range"
              className="range range-sm w-full"
              min={0}
              max={1}
              step={0.05}
              value={plan.stiffness}
              aria-valuetext={t`${Math.round(plan.stiffness * 100)} % stiff`}
              onChange={(event) => onChange({ stiffness: Number(event.target.value) })}
            />
            <span className="flex justify-between text-sm">
              <span>{t`flexible (through every mark)`}</span>
              <span>{t`stiff (a straight line)`}</span>
            </span>
          </label>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={plan.useFair}
              onChange={(event) => onChange({ useFair: event.target.checked })}
            />
            {t`Use the fair line for the mark sheet instead of the plane`}
          </label>
          {(['port', 'starboard'] as const).map((side) => {
            const marks = plan.madeMarks.filter((mark) => mark.side === side);
            const fair = struck?.fair[side];
            if (marks.length === 0) return null;
            return (
              <div key={side} className="space-y-1">
                <p className="font-semibold">
                  {side === 'port' ? t`Port` : t`Starboard`}: {counted(marks.length, 'mark')}
                </p>
                {!fair && <p>{t`Add at least three marks on this side to fit a fair line.`}</p>}
                {fair && (
                  <>
                    <Suspense fallback={<p>{t`Loading chart…`}</p>}>
                      <FairChart side={side} fair={fair} />
                    </Suspense>
                    <p>
                      {fair.line.outliers.length === 0
                        ? t`No outliers.`
                        : t`Outliers left out: ${fair.line.outliers.map((i) => `${show(fair.marks[i]?.xM ?? 0, 'length')} (${sayHeight(fair.line.residualsMm[i] ?? 0, unit)} ${unit.symbol})`).join(', ')}.`}
                    </p>
                    <details>
                      <summary className="cursor-pointer underline underline-offset-2">{t`All marks`}</summary>
                      <table className="table-xs table max-w-lg">
                        <thead>
                          <tr>
                            <th scope="col">{t`From aft, ${symbol('length')}`}</th>
                            <th scope="col" className="text-right">
                              {t`From plane, ${unit.symbol}`}
                            </th>
                            <th scope="col" className="text-right">
                              {t`From fair line, ${unit.symbol}`}
                            </th>
                            <th scope="col">
                              <span className="sr-only">{t`Remove`}</span>
                            </th>
                          </tr>
                        </thead>
                        <tbody>
                          {fair.marks.map((mark, i) => (
                            <tr key={mark.id}>
                              <th scope="row">{show(mark.xM, 'length')}</th>
                              <td className="text-right">{sayHeight(fair.offMm[i] ?? 0, unit)}</td>
                              <td className="text-right">{sayHeight(fair.line.residualsMm[i] ?? 0, unit)}</td>
                              <td>
                                <button
                                  type="button"
                                  className="btn btn-ghost btn-sm"
                                  onClick={() =>
                                    onChange({
                                      madeMarks: plan.madeMarks.filter((each) => each.id !== mark.id),
                                    })
                                  }
                                >
                                  {t`Remove`}
                                  <span className="sr-only">{t` mark at ${show(mark.xM, 'length')}`}</span>
                                </button>
                              </td>
                            </tr>
                          ))}
                        </tbody>
                      </table>
                    </details>
                  </>
                )}
              </div>
            );
          })}
        </>
      )}
    </fieldset>
  );
}
