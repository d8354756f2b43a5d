import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { BoardView, Yard } from '../../contract/index.ts';
import { dewPointC } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { boardLines } from '../clock/urgency.ts';
import { clockText, longDayText, longMonthText, wallOf } from '../clock/wallClock.ts';
import { BoatThumbnail } from '../parts/drawing/BoatThumbnail.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { DoNext } from './DoNext.tsx';
import { RunningList } from './RunningList.tsx';
import { Today } from './Today.tsx';

const RunningClocks = lazyPart(async () => (await import('../parts/RunningClocks.tsx')).RunningClocks);

/** "Saturday 28 November, 15:04" */
function sayToday(now: number, zone: string): string {
  const wall = wallOf(now, zone);
  return `${longDayText(wall)} ${wall.day} ${longMonthText(wall)}, ${clockText(wall)}`;
}

/** Every boat and every running clock in the yard: what needs hands next, and until when. */
export function BoardPage() {
  const board = useBoard();
  const yard = useYard();
  return (
    <QueryBoundary query={yard}>
      {(yardData) => (
        <QueryBoundary query={board}>{(view) => <Board view={view} yard={yardData} />}</QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function Board({ view, yard }: { view: BoardView; yard: Yard }) {
  const now = useMinute();
  if (view.boats.length === 0) return <EmptyBoard disk={view.disk} />;
  const lines = boardLines(view.pots, view.clocks);
  return (
    <div className="space-y-6 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
        <h1 className="text-2xl">{t`Board`}</h1>
        <p>{sayToday(now, yard.zone)}</p>
        <AirNow view={view} />
      </div>
      <DiskNotice disk={view.disk} />
      <DoNext lines={lines} zone={yard.zone} />
      <Today zone={yard.zone} />
      <RunningList lines={lines} zone={yard.zone} site={yard} />
      <Suspense>
        <RunningClocks areaId={null} zone={yard.zone} />
      </Suspense>
      {view.more > 0 && (
        <p>{t`${counted(view.more, 'more area')} not listed here. Find them under Boats below.`}</p>
      )}
      <BoatsAshore view={view} />
    </div>
  );
}

/** Notices about the server’s disk: almost full, full, read-only. */
const DISK_NOTICES = {
  low: [t`Server disk almost full`, t`Free some space soon. Nothing can be saved on a full disk.`],
  full: [t`Server disk full`, t`Nothing can be saved until space is freed. Existing data can still be read.`],
  'read-only': [
    'Read-only',
    t`The disk was full when the server started, or the server can’t write to its data folder. Nothing can be saved. Correct that, then restart the server.`,
  ],
} as const;

function DiskNotice({ disk }: { disk: BoardView['disk'] }) {
  if (disk.state === 'fine') return null;
  const free = disk.freeBytes < 1e6 ? `${disk.freeBytes} B` : `${Math.floor(disk.freeBytes / 1e6)} MB`;
  const [title, advice] = DISK_NOTICES[disk.state];
  return (
    <p role="alert" className="border-line border-2 p-3">
      <strong>{title}</strong>
      {t`: ${free} free. ${advice}`}
    </p>
  );
}

function AirNow({ view }: { view: BoardView }) {
  const { show } = useUnits();
  const { air } = view;
  if (!air) {
    return (
      <p>
        {t`No weather data for this hour. `}
        <Link className="link" to="/weather">{t`Add weather data`}</Link>
      </p>
    );
  }
  return (
    <p>
      {t`Air ${show(air.airC, 'temperature')}, RH ${Math.round(air.rh * 100)} %, dew point ${show(dewPointC({ airC: air.airC, rh: air.rh }), 'temperature')}`}
      {air.simulated && (
        <span className="border-line ml-2 inline-block border px-1 text-sm">{t`simulated weather`}</span>
      )}
    </p>
  );
}

/** From here on the boats of a yard are searched rather than looked through. */
const MANY_BOATS = 9;

function BoatsAshore({ view }: { view: BoardView }) {
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const boats = view.boats.filter(({ name }) => name.toLowerCase().includes(wanted));
  return (
    <section aria-labelledby="boats">
      <div className="batten flex items-baseline justify-between pb-1">
        <h2 id="boats" className="text-lg">{t`Boats`}</h2>
        <Link className="btn btn-sm" to="/boats/new">{t`Add boat`}</Link>
      </div>
      {view.boats.length >= MANY_BOATS && (
        <div className="pt-3">
          <SearchField label={t`Search boats`} value={typed} onChange={setTyped} />
          {boats.length === 0 && <p role="status">{t`No boats match “${typed.trim()}”.`}</p>}
        </div>
      )}
      <ul className="grid gap-x-8 gap-y-5 pt-4 sm:grid-cols-2 xl:grid-cols-4">
        {boats.map((boat) => (
          <li key={boat.id} className="long-row">
            <Link to={`/boats/${boat.id}/survey`} className="block hover:underline">
              <BoatThumbnail
                boat={boat}
                areas={boat.areas.map((c, i) => ({
                  id: c.areaId,
                  name: c.areaName,
                  zone: c.zone,
                  side: c.side === 'port' ? 'both' : c.side,
                  state: c.state,
                  number: i + 1,
                  part: c.part,
                }))}
              />
              <span className="lettered block pt-1">{boat.name}</span>
            </Link>
            <span className="block text-sm opacity-80">
              {boat.areas.length === 0 ? t`No areas yet` : counted(boat.areas.length, 'area')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function EmptyBoard({ disk }: { disk: BoardView['disk'] }) {
  return (
    <div className="max-w-prose space-y-4 p-4 md:p-8">
      <DiskNotice disk={disk} />
      <h1 className="text-2xl">{t`No boats yet`}</h1>
      <p>{t`Add your boat, the data sheets of your paints, and weather data. The bench then works out how much to mix. The board shows the earliest and latest time for the next coat.`}</p>
      <p>
        {t`To try a demo first, run `}
        <code>{t`npm run demo`}</code>
        {t`. The demo has invented data and never changes yours.`}
      </p>
      <p className="flex flex-wrap gap-3">
        <Link className="btn btn-primary" to="/boats/new">{t`Add boat`}</Link>
        <Link className="btn" to="/materials/typical">{t`Add typical data sheets`}</Link>
        <Link className="btn" to="/materials/new">{t`Enter a data sheet`}</Link>
        <Link className="btn" to="/weather">{t`Add weather data`}</Link>
      </p>
    </div>
  );
}
