import { Link } from 'react-router';
import type { OpenFault } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { FINDING_WORDS } from '../words/findings.ts';

/** Findings that speak against painting here and that nothing has settled since, and those that were painted over: next year somebody has to know. */
export function OpenFaults({
  faults,
  boatId,
  say,
}: {
  faults: readonly OpenFault[];
  boatId: string;
  /** When a finding was made, in words. */
  say: (at: string) => string;
}) {
  if (faults.length === 0) return null;
  return (
    <ul aria-label={t`Open findings`} className="max-w-3xl space-y-1">
      {faults.map(({ findingId, kind, reason, at, paintedOverAt }) => (
        <li
          key={findingId}
          className={`border-l-4 pl-3 ${paintedOverAt == null ? 'border-error' : 'border-warning'}`}
        >
          <strong>
            {paintedOverAt == null ? t`Open finding` : t`Painted over`}: {FINDING_WORDS[kind].word}
          </strong>
          {t` (found ${say(at)}`}
          {paintedOverAt != null && t`, painted over ${say(paintedOverAt)}`}): {reason.replace(/\.$/, '')}.{' '}
          <Link className="link" to={`/boats/${boatId}/findings`}>{t`See findings`}</Link>
        </li>
      ))}
    </ul>
  );
}
