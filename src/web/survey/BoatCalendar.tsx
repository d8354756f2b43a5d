import { useState } from 'react';
import { t } from '../../words.ts';
import { useBoatCalendar } from '../api/boatQueries.ts';
import { useWrite } from '../api/mutations.ts';
import { useConfirm } from '../parts/Confirm.tsx';

/** The boat's windows for the calendar in one's pocket: an address, shown once, that can be taken back. */
export function BoatCalendar({ boatId, boatName }: { boatId: string; boatName: string }) {
  const calendar = useBoatCalendar(boatId);
  const confirm = useConfirm();
  const [address, setAddress] = useState<string | null>(null);
  const make = useWrite<{ path: string }>({ atForm: true });
  const revoke = useWrite({ atForm: true });
  const given = calendar.data?.given ?? false;
  const path = `/boats/${boatId}/calendar`;
  const ask = async () => {
    const sure =
      !given ||
      (await confirm({
        title: t`Create a new calendar link?`,
        text: t`Calendars that use the old link will stop updating.`,
        action: t`Create new link`,
      }));
    if (!sure) return;
    make.mutate(
      { method: 'POST', path },
      { onSuccess: (answer) => setAddress(window.location.origin + answer.path) },
    );
  };
  const takeBack = async () => {
    const sure = await confirm({
      title: t`Revoke the calendar link?`,
      text: t`Calendars that use this link will stop updating.`,
      action: t`Revoke link`,
    });
    if (sure) revoke.mutate({ method: 'DELETE', path }, { onSuccess: () => setAddress(null) });
  };
  const problem = make.error ?? revoke.error;
  return (
    <details>
      <summary className="target cursor-pointer py-2">{t`Calendar link`}</summary>
      <div className="space-y-3 pb-3">
        <p>{t`Subscribe to ${boatName}'s overcoat windows in a calendar app. An event “may” marks when a window opens; an event “must” marks when it closes, with an alarm three hours before. Anyone with the link can read it. It works wherever this server can be reached.`}</p>
        {address && (
          <p role="status" className="border-line border-2 p-3">
            {t`Copy this link now; it’s shown only once: `}
            <code className="break-all">{address}</code>
          </p>
        )}
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm" onClick={() => void ask()}>
            {given ? t`Create new link` : t`Create link`}
          </button>
          {given && (
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => void takeBack()}
            >{t`Revoke link`}</button>
          )}
        </div>
        {problem && (
          <p role="alert" className="text-error font-semibold">
            {problem.message}
          </p>
        )}
      </div>
    </details>
  );
}
