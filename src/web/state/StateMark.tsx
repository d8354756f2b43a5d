import { type ClockState, STATES } from './states.ts';

/** A state as pattern and word. */
export function StateMark({ state }: { state: ClockState }) {
  const { word, meaning, paint } = STATES[state];
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap" title={meaning}>
      <svg width="18" height="12" aria-hidden="true" className="shrink-0">
        <rect
          x="0.5"
          y="0.5"
          width="17"
          height="11"
          fill={`url(#st-${paint})`}
          stroke={`var(--st-${paint})`}
          strokeDasharray={state === 'no-system' ? '2 2' : undefined}
        />
      </svg>
      <span className="font-semibold">{word}</span>
    </span>
  );
}
