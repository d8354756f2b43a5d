import { Link } from 'react-router';
import type { ClockState } from '../state/states.ts';
import { termId } from '../words/glossary.ts';

/** The glossary term of a state, if it has one. */
const TERM_OF: Partial<Record<ClockState, string>> = {
  'too-soon': 'not ready yet',
  thumb: 'thumbprint',
  open: 'overcoat window',
  'key-first': 'sand first',
  keyed: 'mechanical bond',
};

/** One tap from a state to its sentence in the glossary. */
export function StateTerm({ state }: { state: ClockState }) {
  const word = TERM_OF[state];
  if (!word) return null;
  return (
    <Link className="link text-base" to={`/glossary#${termId(word)}`}>
      <span aria-hidden="true">?</span>
      <span className="sr-only">What “{word}” means</span>
    </Link>
  );
}
