const STEPS = [
  ['air-now', 'Conditions'],
  ['mixing', 'Mix'],
  ['applying', 'Apply'],
  ['log-coat', 'Log'],
] as const;

/** The steps of a coat, always in reach: each leads to its part of the page. */
export function BenchSteps({ applies }: { applies: boolean }) {
  return (
    <nav aria-label="Steps of this coat" className="bg-base-100 no-print sticky top-0 z-10 flex gap-1 py-2">
      {STEPS.filter(([id]) => applies || id !== 'applying').map(([id, word]) => (
        <button
          key={id}
          type="button"
          className="btn target min-w-0 flex-1 px-2 lg:max-w-36"
          onClick={() => {
            const heading = document.getElementById(id);
            heading?.scrollIntoView?.({ block: 'start' });
            heading?.focus({ preventScroll: true });
          }}
        >
          {word}
        </button>
      ))}
    </nav>
  );
}
