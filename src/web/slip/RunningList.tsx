import { DateTime } from 'luxon';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { AreaClock, PotView } from '../../contract/index.ts';
import { nightsBetween, type Site } from '../../core/air/index.ts';
import { GROUP_WORDS, grouped, type Hidden } from '../clock/groups.ts';
import { useNow } from '../clock/now.ts';
import { sayCountdown, sayTime } from '../clock/say.ts';
import { isRunningOut, type SlipLine } from '../clock/urgency.ts';
import { AreaParts } from '../parts/AreaParts.tsx';
import { SpanButtons } from '../parts/SpanButtons.tsx';
import { useTimeSpan } from '../parts/useTimeSpan.ts';
import { AxisHead, WindowBand } from '../parts/WindowBand.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { STATES } from '../state/states.ts';
import { countdownWord, taskOf, workWords } from '../words/clocks.ts';
import { counted } from '../words/counted.ts';

const HOUR = 3_600_000;

/** A line per live film or pot, grouped as a foreman thinks, each group soonest first, all on one time axis. */
export function RunningList({ lines, zone, site }: { lines: readonly SlipLine[]; zone: string; site: Site }) {
  const now = useNow();
  const minute = Math.floor(now / 60_000) * 60_000;
  const span = useTimeSpan(minute);
  const { from, to } = span;
  const nights = useMemo(() => nightsShown(from, to, site), [from, to, site]);
  const groups = grouped(lines, minute, zone);
  return (
    <section aria-labelledby="running">
      <div className="batten grid items-end md:grid-cols-[minmax(0,11rem)_minmax(0,1fr)_minmax(0,1.1fr)] md:gap-4">
        <h2 id="running" className="pb-1 text-lg">
          Running
        </h2>
        <div className="pb-1">
          <SpanButtons span={span} />
        </div>
        <div
          ref={span.axis}
          className="hidden cursor-grab touch-none md:block"
          title="Wheel, pinch or drag: closer, wider, earlier, later"
        >
          <AxisHead from={from} to={to} now={now} marks={axisMarks(from, to, now, zone)} />
        </div>
      </div>
      {groups.map(({ group, lines: own, hidden }) => (
        <section key={group} aria-labelledby={`group-${group}`}>
          <h3 id={`group-${group}`} className="pt-4 pb-1">
            {GROUP_WORDS[group].title}
            <span className="font-normal opacity-80">: {GROUP_WORDS[group].meaning}</span>
          </h3>
          <ol>
            {own.map((line) => (
              <li key={line.kind === 'pot' ? line.pot.entryId : line.clock.areaId} className={ROW}>
                {line.kind === 'pot' ? (
                  <PotLine pot={line.pot} now={now} zone={zone} />
                ) : (
                  <AreaLine
                    clock={line.clock}
                    urgent={isRunningOut(line, now)}
                    axis={{ from, to, now, nights }}
                    zone={zone}
                  />
                )}
              </li>
            ))}
            {hidden.map((each) => (
              <li key={each.boatId} className={ROW}>
                <HiddenLine hidden={each} />
              </li>
            ))}
          </ol>
        </section>
      ))}
    </section>
  );
}

const ROW =
  'border-base-300 grid items-center gap-x-4 gap-y-1 border-b py-2 md:grid-cols-[minmax(0,11rem)_minmax(0,1fr)_minmax(0,1.1fr)]';

/** Patches under the supports of one boat: each a link to its bench. */
function HiddenLine({ hidden: { boatName, clocks } }: { hidden: Hidden }) {
  return (
    <>
      <p>
        <StateMark state="hidden" />
      </p>
      <div className="min-w-0">
        <p className="font-semibold">
          {counted(clocks.length, 'patch', 'patches')}, {boatName}
        </p>
        <p className="text-sm">
          {clocks.map((clock, i) => (
            <span key={clock.areaId}>
              {i > 0 && ', '}
              <Link className="link" to={`/bench/${clock.areaId}`}>
                {clock.areaName}
              </Link>
            </span>
          ))}
        </p>
      </div>
      <p className="text-sm opacity-80">{STATES.hidden.meaning}</p>
    </>
  );
}

type Night = ReturnType<typeof nightsBetween>[number];

/** Beyond this nights are too narrow to be seen. */
const NIGHTS_UP_TO_MS = 30 * 24 * HOUR;

const nightsShown = (from: number, to: number, site: Site): readonly Night[] =>
  to - from > NIGHTS_UP_TO_MS ? [] : nightsBetween(from, to, site);

/** Marks stand so many hours apart: as close as leaves room for a dozen. */
const STEPS_H = [0.25, 0.5, 1, 3, 6, 12, 24, 48, 7 * 24, 14 * 24, 28 * 24] as const;

function axisMarks(from: number, to: number, now: number, zone: string) {
  const stepH = STEPS_H.find((hours) => (to - from) / (hours * HOUR) <= 14) ?? STEPS_H[10];
  // Room is left for the word "now", and a mark at the very edge would hang over it.
  const edge = (to - from) / 36;
  const marks = [];
  let time = DateTime.fromMillis(from, { zone }).startOf('day');
  while (time.toMillis() < to) {
    const at = time.toMillis();
    if (at > from + edge && at < to - edge && (time.hour !== 0 || at !== now)) {
      const midnight = time.hour === 0 && time.minute === 0;
      marks.push({
        at,
        text: midnight
          ? time.toFormat(stepH >= 48 ? 'd LLL' : 'ccc d')
          : time.toFormat(stepH < 1 ? 'HH:mm' : 'HH'),
        strong: midnight && stepH < 48,
      });
    }
    // Days are counted by the calendar: one in the year has 23 hours, one 25.
    time = stepH >= 24 ? time.plus({ days: stepH / 24 }) : time.plus({ minutes: stepH * 60 });
  }
  return marks;
}

function PotLine({ pot, now, zone }: { pot: PotView; now: number; zone: string }) {
  const inducting = now < Date.parse(pot.inductionEnds);
  const ends = inducting ? pot.inductionEnds : pot.potEnds;
  const left = ends === null ? null : Date.parse(ends) - now;
  return (
    <>
      <p className="flex items-baseline justify-between gap-3 md:block">
        <span className="font-semibold">{inducting ? 'standing time' : 'mixed, in use'}</span>
        {left !== null && (
          <span className={`big-figure block text-2xl ${inducting ? '' : 'signal-text'}`}>
            {left > 0 ? sayCountdown(left) : 'over'}
          </span>
        )}
      </p>
      <div className="min-w-0">
        <Link className="font-semibold hover:underline" to={`/bench/${pot.areaId}`}>
          Pot of {pot.productName}
        </Link>
        <p className="truncate text-sm">
          {pot.areaName}, {pot.boatName}
        </p>
      </div>
      <p className="text-sm">
        {inducting && <>ready {sayTime(pot.inductionEnds, zone, now)}, </>}
        {pot.potEnds ? <>pot life ends {sayTime(pot.potEnds, zone, now)}</> : 'no pot life stated'}
      </p>
    </>
  );
}

function AreaLine({
  clock,
  urgent,
  axis,
  zone,
}: {
  clock: AreaClock;
  urgent: boolean;
  axis: { from: number; to: number; now: number; nights: readonly Night[] };
  zone: string;
}) {
  const word = countdownWord(clock);
  const work = workWords(clock, axis.now);
  const left = clock.until === null ? null : Date.parse(clock.until) - axis.now;
  const when = clock.until ? sayTime(clock.until, zone, axis.now) : null;
  return (
    <>
      <p className="flex items-baseline justify-between gap-3 md:block">
        <StateMark state={clock.state} />
        {left !== null && word && (
          <span className={`block ${urgent ? 'signal-text' : ''}`}>
            <span className="text-sm">{word} </span>
            <span className="big-figure text-xl">{sayCountdown(left)}</span>
          </span>
        )}
      </p>
      <div className="min-w-0">
        <Link className="font-semibold hover:underline" to={`/bench/${clock.areaId}`}>
          {taskOf(clock)}
        </Link>
        <p className="truncate text-sm">
          {clock.areaName}, {clock.boatName}
          {clock.film && (
            <>
              {' · '}
              <Link className="link" to={`/window/${clock.areaId}`}>
                {when ? `${when}: why` : 'why'}
              </Link>
            </>
          )}
        </p>
        {work && <p className="text-sm">{work}</p>}
        <AreaParts clock={clock} zone={zone} now={axis.now} />
      </div>
      {clock.segments.length > 0 ? (
        <WindowBand
          segments={clock.segments}
          {...axis}
          label={`${STATES[clock.state].word}${when ? ` until ${when}` : ''}`}
        />
      ) : (
        <p className="text-sm opacity-80">{STATES[clock.state].meaning}</p>
      )}
    </>
  );
}
