import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { entryWrite, strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { UndoNotice } from '../parts/UndoNotice.tsx';

/** One more coat of what was applied last, because the work wants it: filling and fairing go in rounds. */
export function AnotherRound({ view }: { view: BenchView }) {
  const { mutate: log } = useQueued();
  const [asked, setAsked] = useState<string | null>(null);
  const { film, next } = view.clock;
  const entry = { areaId: view.area.id, at: new Date().toISOString() };
  if (asked !== null) {
    return (
      <UndoNotice
        text={t`Another coat added as the next one. The system itself isn’t changed; the record counts the extra coat.`}
        onUndo={() => {
          log(strikeWrite(view.area.id, asked, t`not needed after all`));
          setAsked(null);
        }}
        onGone={() => setAsked(null)}
      />
    );
  }
  // Between the coats of one step another one comes anyway.
  if (!film?.stepId || next?.stepId === film.stepId) return null;
  const { stepId } = film;
  return (
    <button
      type="button"
      className="btn target"
      onClick={() => {
        const id = uuidv7();
        log(entryWrite({ ...entry, id, corrects: null, kind: 'round', body: { stepId, reason: '' } }));
        setAsked(id);
      }}
    >
      {t`Add another coat of ${film.productName}`}
    </button>
  );
}
