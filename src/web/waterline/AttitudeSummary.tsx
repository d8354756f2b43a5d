import type { Waterline } from '../../contract/index.ts';
import { STEEP_TILT_DEG, type StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit, sayHeight } from './heights.ts';
import { nameOf, sayErrorFit, sayNextMark, sayOutliers } from './strikeView.ts';

/** Trim and heel of the boat as it stands, and the agreement of the marks. */
export function AttitudeSummary({
  plan,
  struck,
  lengthM,
}: {
  plan: Waterline;
  struck: StruckLine;
  lengthM: number;
}) {
  const { system } = useUnits();
  const unit = heightUnit(system);
  const { fit } = struck;
  const say = (mm: number) => `${sayHeight(mm, unit)} ${unit.symbol}`;
  const bow = t`${Math.abs(fit.trimDeg).toFixed(2)}° ${fit.trimDeg < 0 ? t`down` : t`up`} by the bow`;
  const heel = t`${Math.abs(fit.heelDeg).toFixed(2)}° ${fit.heelDeg < 0 ? t`down` : t`up`} to starboard`;
  const ends = [0, lengthM].map((xM) => fit.standardErrorMm({ xM, yM: 0 }));
  return (
    <div className="space-y-1">
      <Why
        figure={
          <output className="text-lg">
            {t`The boat stands `}
            <strong>{bow}</strong>, <strong>{heel}</strong>.
          </output>
        }
      >
        <p>{t`Best-fit plane (least squares): height = ${sayHeight(fit.aMm, unit)} + ${(fit.bMmPerM / unit.mm).toFixed(2)} × distance from aft + ${(fit.cMmPerM / unit.mm).toFixed(2)} × distance to starboard. Heights in ${unit.symbol}, distances in m.`}</p>
        <p>
          {t`With ${sayHeight(plan.markErrorMm, unit)} ${unit.symbol} to a mark`}
          {plan.marks.some(({ errorMm }) => errorMm != null) && t` that has no error of its own`}
          {t`, the line is good to ± ${sayHeight(ends[0] ?? 0, unit)} ${unit.symbol} aft and ± ${sayHeight(ends[1] ?? 0, unit)} ${unit.symbol} forward (one standard error). The marks are ${sayHeight(fit.rmsMm, unit)} ${unit.symbol} off the line on average (root mean square).`}
        </p>
      </Why>
      {Math.max(Math.abs(fit.trimDeg), Math.abs(fit.heelDeg)) > STEEP_TILT_DEG && (
        <p
          className="text-warning font-semibold"
          role="status"
        >{t`That is very steep for a boat on supports. Check the readings: heel and trim are in degrees, heights in ${unit.symbol}.`}</p>
      )}
      <p className={fit.outliers.verdict === 'agree' ? '' : 'text-warning font-semibold'} role="status">
        {fit.error.verdict === 'not-known' && fit.outliers.verdict === 'agree'
          ? t`No mark to spare: a wrong one would not show. Take one or two more to check.`
          : sayOutliers(fit.outliers, plan.marks.map(nameOf))}
      </p>
      {[sayNextMark(fit.nextMark, say), sayErrorFit(fit.error, say)].map((sentence) =>
        sentence ? <p key={sentence}>{sentence}</p> : null,
      )}
    </div>
  );
}
