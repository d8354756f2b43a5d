import { Link } from 'react-router';
import type { OpenFault } from '../../contract/index.ts';
import { FINDING_WORDS } from '../words/findings.ts';

/** Findings that speak against painting here and that nothing has settled since. */
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
    <ul aria-label="Open findings" className="max-w-3xl space-y-1">
      {faults.map(({ findingId, kind, reason, at }) => (
        <li key={findingId} className="border-error border-l-4 pl-3">
          <strong>Open finding: {FINDING_WORDS[kind].word}</strong> ({say(at)}): {reason.replace(/\.$/, '')}.{' '}
          <Link className="link" to={`/boats/${boatId}/findings`}>
            Open findings
          </Link>
        </li>
      ))}
    </ul>
  );
}
