import { Suspense } from 'react';
import { Link } from 'react-router';
import type { AreaClock, PotView } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { GROUP_WORDS, grouped, type Hidden } from '../clock/groups.ts';
import { useNow } from '../clock/now.ts';
import { sayCountdown, sayTime } from '../clock/say.ts';
import { type BoardLine, isRunningOut } from '../clock/urgency.ts';
import { AreaParts } from '../parts/AreaParts.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';
import { AxisHead } from '../parts/strip/AxisHead.tsx';
import type { Lane } from '../parts/strip/lanes.ts';
import { SpanButtons } from '../parts/strip/SpanButtons.tsx';
import { StripLane } from '../parts/strip/StripLane.tsx';
import type { SpanStore } from '../parts/strip/span.ts';
import { aroundNow, useStripSpan } from '../parts/strip/useStripSpan.ts';
import { StateMark } from '../state/StateMark.tsx';
import { STATES } from '../state/states.ts';
import { countdownWord, taskOf, workWords } from '../words/clocks.ts';
import { counted } from '../words/counted.ts';

const AirPanel = lazyPart(async () => (await import('../parts/strip/AirPanel.tsx')).AirPanel);
const StripTools = lazyPart(async () => (await import('../parts/strip/StripTools.tsx')).StripTools);

/** A line per live film or pot, grouped as a foreman thinks, each group soonest first, all on one time axis below the air. */
export function RunningList({
  lines,
  zone,
  site,
}: {
  lines: readonly BoardLine[];
  zone: string;
  site: Site;
}) {
  const now = useNow();
  const minute = Math.floor(now / 60_000) * 60_000;
  const store = useStripSpan(aroundNow(minute));
  const groups = grouped(lines, minute, zone);
  const strip = { store, zone, site };
  return (
    <section aria-labelledby="running">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 pb-2">
        <h2 id="running" className="text-lg">{t`Timeline`}</h2>
        <SpanButtons store={store} />
        <Suspense fallback={<div className="h-8" />}>
          <StripTools title={t`Board`} lanes={lanesOf(lines)} areaId={null} {...strip} />
        </Suspense>
      </div>
      <div className="batten">
        <Suspense fallback={<div className="h-[160px]" />}>
          <AirPanel areaId={null} height={104} {...strip} />
        </Suspense>
        <AxisHead store={store} zone={zone} />
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
                  <AreaLine clock={line.clock} urgent={isRunningOut(line, now)} now={now} {...strip} />
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

const lanesOf = (lines: readonly BoardLine[]): Lane[] =>
  lines.flatMap((line) =>
    line.kind === 'pot' || line.clock.segments.length === 0
      ? []
      : [
          {
            key: line.clock.areaId,
            name: `${line.clock.areaName}, ${line.clock.boatName}`,
            segments: line.clock.segments,
          },
        ],
  );

/** State and time left beside the task; the lane below both, as wide as the weather above it. */
const ROW =
  'border-base-300 grid items-baseline gap-x-4 gap-y-1 border-b py-2 md:grid-cols-[minmax(0,17rem)_minmax(0,1fr)]';

/** Patches under the supports of one boat: each a link to its bench. */
function HiddenLine({ hidden: { boatName, clocks } }: { hidden: Hidden }) {
  return (
    <>
      <p>
        <StateMark state="hidden" />
      </p>
      <div className="min-w-0">
        <p className="font-semibold">
          {counted(clocks.length, 'stand patch')}, {boatName}
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
      <p className="text-sm opacity-80 md:col-span-2">{STATES.hidden.meaning}</p>
    </>
  );
}

function PotLine({ pot, now, zone }: { pot: PotView; now: number; zone: string }) {
  const inducting = now < Date.parse(pot.inductionEnds);
  const ends = inducting ? pot.inductionEnds : pot.potEnds;
  const left = ends === null ? null : Date.parse(ends) - now;
  return (
    <>
      <p className="flex flex-wrap items-baseline justify-between gap-x-3 md:justify-start">
        <span className="font-semibold">{inducting ? t`Standing time` : t`Mixed, in use`}</span>
        {left !== null && (
          <span className={`big-figure text-2xl ${inducting ? '' : 'signal-text'}`}>
            {left > 0 ? sayCountdown(left) : t`pot life over`}
          </span>
        )}
      </p>
      <div className="min-w-0">
        <Link className="font-semibold hover:underline" to={`/bench/${pot.areaId}`}>
          {t`${pot.productName} pot`}
        </Link>
        <span className="text-sm">
          {' '}
          {pot.areaName}, {pot.boatName}.{' '}
        </span>
      </div>
      <p className="text-sm md:col-span-2">
        {inducting && <>{t`Ready ${sayTime(pot.inductionEnds, zone, now)}. `}</>}{' '}
        {pot.potEnds ? t`Pot life ends ${sayTime(pot.potEnds, zone, now)}.` : t`Pot life unknown.`}
      </p>
    </>
  );
}

function AreaLine({
  clock,
  urgent,
  now,
  store,
  site,
  zone,
}: {
  clock: AreaClock;
  urgent: boolean;
  now: number;
  store: SpanStore;
  site: Site;
  zone: string;
}) {
  const word = countdownWord(clock, now);
  const work = workWords(clock, now, zone);
  const left = clock.until === null ? null : Date.parse(clock.until) - now;
  const when = clock.until ? sayTime(clock.until, zone, now) : null;
  return (
    <>
      <p className="flex flex-wrap items-baseline justify-between gap-x-3 md:justify-start">
        <StateMark state={clock.state} />
        {left !== null && word && (
          <span className={urgent ? 'signal-text' : ''}>
            <span className="text-sm">{word} </span>
            <span className="big-figure text-xl">{sayCountdown(left)}</span>
          </span>
        )}
      </p>
      <div className="min-w-0">
        <Link className="font-semibold hover:underline" to={`/bench/${clock.areaId}`}>
          {taskOf(clock, now)}
        </Link>
        <span className="text-sm">
          {' '}
          {clock.areaName}, {clock.boatName}
          {clock.film && (
            <>
              {' · '}
              <Link className="link" to={`/window/${clock.areaId}`}>
                {when ? t`${when}, how this was worked out` : t`How this was worked out`}
              </Link>
            </>
          )}
        </span>
        {work && <p className="text-sm">{work}</p>}
        <AreaParts clock={clock} zone={zone} now={now} />
      </div>
      {clock.segments.length > 0 ? (
        <div className="md:col-span-2">
          <StripLane
            segments={clock.segments}
            store={store}
            site={site}
            label={`${STATES[clock.state].word}${when ? t` until ${when}` : ''}`}
          />
        </div>
      ) : (
        <p className="text-sm opacity-80 md:col-span-2">{STATES[clock.state].meaning}</p>
      )}
    </>
  );
}
