import { useEffect, useState } from 'react';
import type { BenchView } from '../../contract/index.ts';
import { type BenchPart, goToPart, partClass } from './BenchSteps.tsx';
import { mixedFor } from './batchInHand.ts';

/** The step of the coat in hand that a narrow screen shows, and how to move on. */
export function useBenchPart({ view }: { view: BenchView }) {
  const { step, product } = view;
  const pots = view.pots.length;
  const isMixed = step !== null && mixedFor(view, step) > 0;
  // A mixed pot, or a paint that is not mixed: only then is anything applied.
  const applies = isMixed || product?.sheet.parts.length === 1;
  const [chosen, setChosen] = useState<BenchPart>(isMixed ? 'apply' : 'ready');
  const [justMixed, setJustMixed] = useState(false);
  // Scrolls to the new pot and its timer once the page has its new length.
  useEffect(() => {
    if (!justMixed || pots === 0) return;
    // A user who has moved on to the log stays there.
    setChosen((now) => (now === 'log' ? now : 'apply'));
    requestAnimationFrame(() => document.getElementById('pots')?.scrollIntoView?.({ block: 'center' }));
    setJustMixed(false);
  }, [justMixed, pots]);
  // A finished area has one part only; a logged pot takes the part of applying away.
  const part: BenchPart =
    step === null || product === null ? 'ready' : chosen === 'apply' && !applies ? 'mix' : chosen;
  return {
    applies,
    part,
    toPart: (next: BenchPart) => {
      setChosen(next);
      goToPart(next);
    },
    classOf: (own: BenchPart) => partClass(own, part),
    onMixed: () => setJustMixed(true),
    onLogged: () => setChosen('ready'),
  };
}
