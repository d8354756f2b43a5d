import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import { t } from '../../words.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { anyUnsaved } from '../state/unsaved.ts';

/** Asks before something typed and not saved is left behind, whether by a link, the back button or closing the page. */
export function LeaveGuard() {
  const confirm = useConfirm();
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => anyUnsaved() && currentLocation.pathname !== nextLocation.pathname,
  );
  const { state, proceed, reset } = blocker;
  useEffect(() => {
    if (state !== 'blocked') return;
    void confirm({
      title: t`Leave without saving?`,
      action: t`Leave page`,
      back: t`Stay on page`,
    }).then((sure) => (sure ? proceed?.() : reset?.()));
  }, [state, proceed, reset, confirm]);
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      if (anyUnsaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, []);
  return null;
}
