import { useState } from 'react';
import { t } from '../../words.ts';
import { forgetAside, throwAway, tryAgain, useQueue, useSetAside } from '../api/queue.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { saveFile } from '../parts/drawing/exportDrawing.ts';
import { EditRefused, typedLeaves } from './EditRefused.tsx';

/** What this device saved and somebody has to decide about: entries that the server rejected, and data that couldn’t be read. */
export function QueueDecisions() {
  return (
    <>
      <Refused />
      <SetAside />
    </>
  );
}

function Refused() {
  const confirm = useConfirm();
  const [editing, setEditing] = useState<number | null>(null);
  const refused = useQueue().filter((item) => item.refused !== null);
  if (refused.length === 0) return null;
  const discard = async (seq: number, what: string) => {
    const text = t`This entry was never synced. Discarding deletes it.`;
    if (await confirm({ title: t`Discard ${what}?`, text, action: t`Discard` })) await throwAway(seq);
  };
  return (
    <section aria-label={t`Rejected entries`} className="border-error m-3 space-y-2 border-2 p-3">
      {refused.map(({ seq, what, refused: problem, method, path, body }) =>
        editing === seq ? (
          <EditRefused
            key={seq}
            body={body}
            problem={problem}
            onCancel={() => setEditing(null)}
            onSend={(better) => {
              setEditing(null);
              void tryAgain(seq, better);
            }}
          />
        ) : (
          <div key={seq} role="alert" className="flex flex-wrap items-center gap-3">
            <p>
              <strong>{t`The server ${problem?.status === 500 ? t`couldn’t process` : 'rejected'} ${what}:`}</strong>{' '}
              {problem?.detail}
            </p>
            <button type="button" className="btn" onClick={() => void tryAgain(seq)}>{t`Retry`}</button>
            {typedLeaves(body).length > 0 && (
              <button type="button" className="btn" onClick={() => setEditing(seq)}>
                {t`Edit`}
                <span className="sr-only"> {what}</span>
              </button>
            )}
            <button
              type="button"
              className="btn"
              onClick={() =>
                saveFile(
                  `${what}.json`,
                  new Blob([JSON.stringify({ method, path, body }, null, 2)], { type: 'application/json' }),
                )
              }
            >{t`Export`}</button>
            <button
              type="button"
              className="btn"
              onClick={() => void discard(seq, what)}
            >{t`Discard`}</button>
          </div>
        ),
      )}
    </section>
  );
}

function SetAside() {
  const aside = useSetAside();
  if (aside.length === 0) return null;
  const save = () => {
    const text = aside.map((item) => item.text).join('\n');
    saveFile(t`unreadable data.txt`, new Blob([text], { type: 'text/plain' }));
  };
  return (
    <div role="alert" className="border-line m-3 flex flex-wrap items-center gap-3 border-2 p-3">
      <p>
        <strong>{t`Some data saved on this device couldn’t be read`}</strong>
        {t` and was set aside. Nothing else is affected.`}
      </p>
      <button type="button" className="btn" onClick={save}>{t`Save as file`}</button>
      <button type="button" className="btn" onClick={() => void forgetAside()}>{t`Delete data`}</button>
    </div>
  );
}
