import { Link } from 'react-router';
import { t } from '../../words.ts';
import type { ClockState } from '../state/states.ts';
import { termId } from '../words/glossary.ts';

/** The glossary term of a state, if it has one. */
const TERM_OF: Partial<Record<ClockState, string>> = {
  'too-soon': t`not ready yet`,
  thumb: 'thumbprint',
  open: t`overcoat window`,
  'key-first': t`sand first`,
  keyed: t`mechanical bond`,
};

/** One tap from a state to its sentence in the glossary. */
export function StateTerm({ state }: { state: ClockState }) {
  const word = TERM_OF[state];
  if (!word) return null;
  return (
    <Link className="link text-base" to={`/glossary#${termId(word)}`}>
      <span aria-hidden="true">?</span>
      <span className="sr-only">{t`What “${word}” means`}</span>
    </Link>
  );
}
