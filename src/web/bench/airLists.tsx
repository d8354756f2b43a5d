import type { FailureView } from '../../contract/index.ts';
import type { AirConditionCode, AirVerdict } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayCondition, sayFailure, sayReason } from '../words/airReasons.ts';

/** What has to be seen to at the boat before the coat is suitable. */
export function ConditionList({
  codes,
  seen,
  onSeen,
  surface,
  limitC,
}: {
  codes: ReadonlySet<AirConditionCode>;
  /** Those that somebody at the boat has seen to. */
  seen: ReadonlySet<AirConditionCode>;
  onSeen: (seen: ReadonlySet<AirConditionCode>) => void;
  /** Both ends of the surface where it depends on the sun. */
  surface: { lowC: number; highC: number } | null;
  limitC: number | null;
}) {
  const { show } = useUnits();
  if (codes.size === 0) return null;
  const ends = surface
    ? t` Surface ${show(surface.lowC, 'temperature')} to ${show(surface.highC, 'temperature')}${limitC === null ? '' : t`, limit ${show(limitC, 'temperature')}`}.`
    : '';
  return (
    <ul className="text-lg">
      {[...codes].map((code) => (
        <li key={code}>
          {code === 'depends-on-sun' ? (
            // The sun is measured, not promised.
            <strong>
              {sayCondition(code)}
              {ends}
            </strong>
          ) : (
            <label className="target flex items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={seen.has(code)}
                onChange={({ target }) =>
                  onSeen(new Set([...seen, code].filter((each) => target.checked || each !== code)))
                }
              />
              <span className={seen.has(code) ? '' : 'font-semibold'}>
                {seen.has(code) && t`Checked: `}
                {sayCondition(code)}
              </span>
            </label>
          )}
        </li>
      ))}
    </ul>
  );
}

/** What speaks against the coat, now and in the hours to come. */
export function AgainstIt({
  reasons,
  later,
  zone,
  now,
}: {
  reasons: AirVerdict['reasons'];
  later: readonly FailureView[];
  zone: string;
  now: number;
}) {
  const { show } = useUnits();
  // A reason given for this hour isn’t repeated for the next.
  const alreadyNow = new Set<string>(reasons.map(({ code }) => code));
  if (reasons.length === 0 && later.length === 0) return null;
  return (
    <ul className="list-disc pl-5 text-lg">
      {reasons.map((reason) => (
        <li key={reason.code}>{t`now: ${sayReason(reason, show)}`}</li>
      ))}
      {later
        .filter(({ code }) => !alreadyNow.has(code))
        .map((failure) => (
          <li key={`${failure.code} ${failure.at}`}>
            {sayTime(failure.at, zone, now)}
            {failure.phase === 'until-safe' ? t`, before it is safe` : t`, still applying`}:{' '}
            {sayFailure(failure, show)}
          </li>
        ))}
    </ul>
  );
}
