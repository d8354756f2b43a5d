import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import { anyUnsaved } from './unsaved.ts';

/** Asks before something typed and not saved is left behind, whether by a link, the back button or closing the page. */
export function LeaveGuard() {
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => anyUnsaved() && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      if (anyUnsaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, []);
  if (blocker.state !== 'blocked') return null;
  return (
    <dialog
      ref={(dialog) => {
        if (dialog && !dialog.open) dialog.showModal();
      }}
      className="modal modal-bottom sm:modal-middle"
      aria-labelledby="leave"
      onClose={() => blocker.reset()}
    >
      <div className="modal-box">
        <h2 id="leave" className="text-lg font-semibold">
          What you typed here is not saved
        </h2>
        <form method="dialog" className="modal-action flex-wrap">
          <button type="button" className="btn target" onClick={() => blocker.proceed()}>
            Leave without saving
          </button>
          <button type="submit" className="btn btn-primary target">
            Stay
          </button>
        </form>
      </div>
    </dialog>
  );
}
