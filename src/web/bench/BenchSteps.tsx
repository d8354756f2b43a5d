import { type KeyboardEvent, useEffect, useState } from 'react';
import { t } from '../../words.ts';

/** The steps of a coat, each a part of the page with the heading that it leads to. */
const STEPS = [
  { part: 'ready', heading: 'air-now', word: t`Ready` },
  { part: 'mix', heading: 'mixing', word: t`Mix` },
  { part: 'apply', heading: 'applying', word: t`Apply` },
  { part: 'log', heading: 'log-coat', word: t`Log` },
] as const;
export type BenchPart = (typeof STEPS)[number]['part'];

interface Props {
  /** Whether there is anything to apply yet. */
  applies: boolean;
  part: BenchPart;
  onPart: (part: BenchPart) => void;
}

const stepsOf = (applies: boolean) => STEPS.filter(({ part }) => applies || part !== 'apply');

/** A narrow screen shows only the chosen step; paper and a wide screen show all steps. */
export const partClass = (own: BenchPart, shown: BenchPart) =>
  own === shown ? '' : t`max-lg:hidden print:block`;

/** Moves to a step once it is on the page. */
export function goToPart(part: BenchPart): void {
  requestAnimationFrame(() => {
    const heading = document.getElementById(STEPS.find((step) => step.part === part)?.heading ?? '');
    heading?.scrollIntoView?.({ block: 'start' });
    heading?.focus({ preventScroll: true });
  });
}

/** The steps of a coat, always in reach: by tap, or by the arrow keys. */
export function BenchSteps({ applies, part, onPart }: Props) {
  const steps = stepsOf(applies);
  const move = (event: KeyboardEvent<HTMLButtonElement>) => {
    const beside = { ArrowRight: 'nextElementSibling', ArrowLeft: 'previousElementSibling' } as const;
    const to = beside[event.key as keyof typeof beside];
    if (!to) return;
    event.preventDefault();
    (event.currentTarget[to] as HTMLElement | null)?.focus();
  };
  return (
    <nav
      aria-label={t`Steps of this coat`}
      className="bg-base-100 no-print sticky top-0 z-10 flex gap-1 py-2"
    >
      {steps.map((step) => (
        <button
          key={step.part}
          type="button"
          aria-current={step.part === part ? 'step' : undefined}
          className={`btn target min-w-0 flex-1 px-2 lg:max-w-36 ${step.part === part ? 'max-lg:btn-neutral' : ''}`}
          onKeyDown={move}
          onClick={() => onPart(step.part)}
        >
          {step.word}
        </button>
      ))}
    </nav>
  );
}

/** Where the labels of the tins are confirmed, below what to pour. */
export const LABELS = 'labels';

/** Whether the labels are on the screen, so that the button to them isn’t needed. */
function useLabelsInSight(shown: boolean): boolean {
  const [inSight, setInSight] = useState(false);
  useEffect(() => {
    const labels = shown ? document.getElementById(LABELS) : null;
    if (!labels || !('IntersectionObserver' in window)) return setInSight(false);
    const observer = new IntersectionObserver((seen) => setInSight(seen.at(-1)?.isIntersecting ?? false));
    observer.observe(labels);
    return () => observer.disconnect();
  }, [shown]);
  return inSight;
}

/** Button to the next step at the lower edge of a narrow screen, primary if the coat can start; while mixing, a button to the labels. */
export function NextStep({
  applies,
  part,
  onPart,
  mixes,
  isSuitable,
}: Props & { mixes: boolean; isSuitable: boolean }) {
  const steps = stepsOf(applies);
  const next = steps[steps.findIndex((step) => step.part === part) + 1];
  const inSight = useLabelsInSight(part === 'mix' && mixes);
  if (!next) return null;
  const toLabels = part === 'mix' && mixes && !inSight;
  return (
    <div className="bg-base-100 border-line no-print sticky bottom-[3.1rem] z-10 -mx-3 flex gap-2 border-t p-2 md:bottom-0 lg:hidden">
      {toLabels && (
        <button
          type="button"
          className="btn btn-primary target grow text-lg"
          onClick={() => {
            const labels = document.getElementById(LABELS);
            labels?.scrollIntoView?.({ block: 'start' });
            labels?.focus({ preventScroll: true });
          }}
        >{t`Check labels`}</button>
      )}
      <button
        type="button"
        className={`btn target text-lg ${toLabels ? '' : 'w-full'} ${part === 'ready' && isSuitable ? 'btn-primary' : ''}`}
        onClick={() => onPart(next.part)}
      >
        {t`Next: ${next.word.toLowerCase()}`}
      </button>
    </div>
  );
}
