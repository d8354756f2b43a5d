import { v7 as uuidv7 } from 'uuid';
import type { BenchView } from '../../contract/index.ts';
import { holdsAggregate } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useNow } from '../clock/now.ts';
import { sayTime } from '../clock/say.ts';
import { SPOKEN } from './ReadAloud.tsx';

/** Aggregate goes into the coat just applied while that is wet, and into no other. */
export function StrewNow({ view, zone }: { view: BenchView; zone: string }) {
  const now = useNow();
  const { mutate: log } = useQueued();
  const { film, work, events, next } = view.clock;
  const task = work.find(({ kind, doneAt, strewn }) => kind === 'aggregate' && doneAt === null && !strewn);
  if (!film || !task || !next) return null;
  const mark = () => {
    const { taskId, kind, amount, note } = task;
    const of = { stepId: next.stepId, coatNo: next.coatNo, taskId, kind, amount, note };
    const start = { id: uuidv7(), areaId: view.area.id, at: new Date().toISOString(), corrects: null };
    log(entryWrite({ ...start, kind: 'work', body: { ...of, outcome: 'strewn', remark: '' } }));
  };
  const tackFree = events.find(({ event }) => event === 'tack-free');
  const tackFreeMs = tackFree && (tackFree.at === null ? null : Date.parse(tackFree.at));
  const { isWet, untilMs } = holdsAggregate({ toMs: Date.parse(film.appliedTo), tackFreeMs, nowMs: now });
  if (isWet)
    return (
      <section aria-label={t`Aggregate`} className="board border-l-signal space-y-2 border-l-8 p-3">
        <p className="lettered text-xl" {...SPOKEN}>{t`Strew the aggregate now, while the coat is wet`}</p>
        <p>
          {t`${film.productName}, finished ${sayTime(film.appliedTo, zone, now)}. ${
            untilMs === null
              ? t`It isn’t known when it is tack-free. Test a corner before you strew.`
              : t`It is tack-free about ${sayTime(untilMs, zone, now)}; aggregate holds only well before that.`
          }`}
        </p>
        <button type="button" className="btn btn-primary target" onClick={mark}>{t`Mark as strewn`}</button>
      </section>
    );
  return (
    <section aria-label={t`Aggregate`} className="board border-l-8 p-3">
      <p className="lettered text-xl">{t`The coat is no longer wet: aggregate won’t hold in it`}</p>
      <p>{t`If it was strewn in time, mark that below. If not, add another coat of ${film.productName} and strew into that.`}</p>
    </section>
  );
}
