import { createContext, type ReactNode, Suspense, useCallback, useContext, useState } from 'react';
import { lazyPart } from './lazyPart.tsx';
import type { Question } from './question.ts';

const ConfirmDialog = lazyPart(async () => (await import('./ConfirmDialog.tsx')).ConfirmDialog);

type Ask = (question: Question) => Promise<boolean>;
const Context = createContext<Ask | null>(null);

/** Asks before a deletion: true once the person confirms, false when they cancel. */
export function useConfirm(): Ask {
  const ask = useContext(Context);
  if (!ask) throw new Error('useConfirm outside ConfirmProvider');
  return ask;
}

/** Holds the one dialog in which questions are asked. */
export function ConfirmProvider({ children }: { children: ReactNode }) {
  const [asked, setAsked] = useState<(Question & { answer: (sure: boolean) => void }) | null>(null);
  const ask = useCallback<Ask>(
    (question) => new Promise((resolve) => setAsked({ ...question, answer: resolve })),
    [],
  );
  const close = (sure: boolean) => {
    asked?.answer(sure);
    setAsked(null);
  };
  return (
    <Context value={ask}>
      {children}
      {asked && (
        <Suspense fallback={null}>
          <ConfirmDialog asked={asked} onAnswer={close} />
        </Suspense>
      )}
    </Context>
  );
}
