import { useEffect } from 'react';
import { t } from '../../words.ts';

/** Says what was just taken away, with the way back, for as long as it is likely to be regretted. */
export function UndoNotice({
  text,
  onUndo,
  onGone,
}: {
  text: string;
  onUndo: () => void;
  onGone: () => void;
}) {
  useEffect(() => {
    const timer = setTimeout(onGone, 20_000);
    return () => clearTimeout(timer);
  }, [onGone]);
  return (
    <div role="status" className="border-line flex flex-wrap items-center gap-3 border-2 p-2 pl-3">
      <p className="grow">{text}</p>
      <button type="button" className="btn" onClick={onUndo}>{t`Undo`}</button>
    </div>
  );
}
