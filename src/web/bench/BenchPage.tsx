import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BenchView, LoggedConditions } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { type InsideAsked, useBench, useYard } from '../api/queries.ts';
import { useNow } from '../clock/now.ts';
import { sayAt, sayCountdown, sayTime } from '../clock/say.ts';
import { AreaParts } from '../parts/AreaParts.tsx';
import { HandTests } from '../parts/HandTests.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { RestsOn } from '../parts/RestsOn.tsx';
import { RunningClocks } from '../parts/RunningClocks.tsx';
import { StateTerm } from '../parts/Term.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { STATES } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { countdownWord, taskOf } from '../words/clocks.ts';
import { METHOD_WORDS, ORDER_WORDS } from '../words/systems.ts';
import { Ahead } from './Ahead.tsx';
import { AnotherRound } from './AnotherRound.tsx';
import { BlastClock } from './BlastClock.tsx';
import { Conditions, conditionsFrom } from './Conditions.tsx';
import { Instead } from './Instead.tsx';
import { LeaveBare, OldLineAsked } from './LeaveBare.tsx';
import { LogCoat } from './LogCoat.tsx';
import { Mixing } from './Mixing.tsx';
import { PotClocks } from './PotClocks.tsx';
import { WorkBefore } from './WorkBefore.tsx';

/** What the server takes for a cover where nobody says otherwise. */
const USUAL_INSIDE: InsideAsked = { heatC: 15, wetDl: 0, roomM3: 60 };

/** Applying the next coat on one area: may it go on, what to pour, how long the pot lives, and what was applied. */
export function BenchPage() {
  const { areaId = '' } = useParams();
  const [safeHours, setSafeHours] = useState<number | null>(null);
  const [inside, setInside] = useState(USUAL_INSIDE);
  const bench = useBench(areaId, { safeHours, ...(inside === USUAL_INSIDE ? {} : inside) });
  const yard = useYard();
  return (
    <QueryBoundary query={yard}>
      {(yardData) => (
        <QueryBoundary query={bench}>
          {(view) => (
            <Bench
              key={areaId}
              view={view}
              zone={yardData.zone}
              site={yardData}
              safeHours={safeHours}
              onSafeHours={(hours) => setSafeHours(hours > 0 ? hours : null)}
              inside={inside}
              onInside={setInside}
            />
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function Bench({
  view,
  zone,
  site,
  safeHours,
  onSafeHours,
  inside,
  onInside,
}: {
  view: BenchView;
  zone: string;
  site: Site;
  safeHours: number | null;
  onSafeHours: (hours: number) => void;
  inside: InsideAsked;
  onInside: (inside: InsideAsked) => void;
}) {
  const [typed, setTyped] = useState<LoggedConditions | null>(null);
  const [logged, setLogged] = useState<'arrived' | 'kept' | null>(null);
  const { clock, step, product } = view;
  const conditions = typed ?? conditionsFrom(view);
  const next = clock.next;
  const share = next && next.areaM2 > 0 ? 1 - next.coveredM2 / next.areaM2 : 1;
  const wanted = view.litresForCoat === null ? null : view.litresForCoat * share;
  return (
    <div className="max-w-6xl space-y-6 p-3 md:p-6">
      <BenchHead view={view} zone={zone} />
      {logged && <Logged how={logged} view={view} zone={zone} />}
      <PotClocks pots={view.pots} zone={zone} />
      <BlastClock view={view} />
      <OldLineAsked view={view} />
      <div className="max-w-3xl space-y-2">
        <HandTests clock={clock} zone={zone} now={Date.parse(view.now)} />
        <AnotherRound key={clock.film?.entryIds.join() ?? ''} view={view} />
        <RunningClocks areaId={view.area.id} zone={zone} />
      </div>
      <WorkBefore view={view} zone={zone} />
      {step && product ? (
        <div className="grid grid-cols-1 items-start gap-x-10 gap-y-6 lg:grid-cols-2 lg:grid-rows-[auto_1fr]">
          <div className="space-y-6">
            <Conditions
              view={view}
              sheet={product.sheet}
              conditions={conditions}
              onChange={setTyped}
              zone={zone}
              site={site}
              safeHours={safeHours}
              onSafeHours={onSafeHours}
            />
            {view.outlook && (
              <Instead
                outlook={view.outlook}
                now={Date.parse(view.now)}
                zone={zone}
                inside={inside}
                onInside={onInside}
              />
            )}
            {view.outlook && (
              <Ahead areaId={view.area.id} zone={zone} now={Date.parse(view.now)} safeHours={safeHours} />
            )}
            <RestsOn productId={product.id} sheet={product.sheet} figures={['conditions']} />
            <LeaveBare view={view} zone={zone} />
          </div>
          <div className="lg:col-start-2 lg:row-span-2 lg:row-start-1">
            <Mixing
              key={product.id}
              view={view}
              step={step}
              product={product}
              wanted={wanted}
              airC={conditions?.airC ?? null}
              onMixed={() => {
                window.scrollTo({ top: 0, behavior: 'smooth' });
              }}
            />
          </div>
          <LogCoat
            key={`${step.id}-${next?.coatNo}-${next?.coveredM2}`}
            view={view}
            step={step}
            product={product}
            conditions={conditions}
            wanted={wanted}
            zone={zone}
            onLogged={(how) => {
              setLogged(how);
              window.scrollTo({ top: 0, behavior: 'smooth' });
            }}
          />
        </div>
      ) : (
        <p>
          {clock.state === 'no-system' ? (
            <>
              No coats are chosen for this area yet.{' '}
              <Link className="link" to={`/boats/${view.boat.id}/systems/${view.area.id}`}>
                Choose its system
              </Link>
            </>
          ) : (
            'All coats of the system are on. Nothing is to be mixed.'
          )}
        </p>
      )}
    </div>
  );
}

/** A second lap straight on, while the far end of the first is not ready. */
function Lap({ clock, zone, now }: { clock: BenchView['clock']; zone: string; now: number }) {
  const { lap } = clock;
  if (!lap || clock.state !== 'too-soon' || Date.parse(lap.farEnd) <= now) return null;
  return (
    <p>
      A second lap straight on may begin where the first began from {sayTime(lap.start, zone, now)}; keep
      behind the cure: the far end is not ready before {sayTime(lap.farEnd, zone, now)}.
    </p>
  );
}

function BenchHead({ view, zone }: { view: BenchView; zone: string }) {
  const now = useNow();
  const { show } = useUnits();
  const { clock, product, step } = view;
  const next = clock.next;
  const hex = product?.sheet.colours.find((c) => c.name === next?.colour)?.hex;
  const word = countdownWord(clock);
  return (
    <header className="space-y-2">
      <p>
        <Link className="link" to="/bench">
          Bench
        </Link>{' '}
        / {view.area.name}, {view.boat.name}
      </p>
      <h1 className="text-3xl">{taskOf(clock)}</h1>
      {next && step && (
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-lg">
          {hex && (
            <span className="inline-flex items-center gap-2">
              <svg width="22" height="22" aria-hidden="true">
                <rect width="22" height="22" fill={hex} stroke="var(--line)" strokeWidth="2" />
              </svg>
              {next.colour}
            </span>
          )}
          <span>{METHOD_WORDS[step.method].toLowerCase()}</span>
          <span>{show(step.dryMicronsPerCoat, 'film')} dry</span>
          {next.areaM2 > 0 && <span>{show(next.areaM2 - next.coveredM2, 'area')} to cover</span>}
          {next.band && <span>only on the {next.band}</span>}
          {step.order && <span>{ORDER_WORDS[step.order]}</span>}
          {step.coatNotes[next.coatNo] && <strong>{step.coatNotes[next.coatNo]}</strong>}
        </p>
      )}
      <AreaParts clock={clock} zone={zone} now={now} />
      <Lap clock={clock} zone={zone} now={now} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-lg">
        <StateMark state={clock.state} />
        <span>
          {STATES[clock.state].meaning} <StateTerm state={clock.state} />
        </span>
        {clock.until && word && (
          <span className="font-semibold">
            {word} {sayCountdown(Date.parse(clock.until) - now)}, {sayAt(clock.until, zone, now)}
          </span>
        )}
        {clock.film && (
          <Link className="link" to={`/window/${clock.areaId}`}>
            why
          </Link>
        )}
      </div>
    </header>
  );
}

function Logged({ how, view, zone }: { how: 'arrived' | 'kept'; view: BenchView; zone: string }) {
  const { clock } = view;
  const now = Date.parse(view.now);
  if (how === 'kept') {
    return (
      <p role="status" className="border-line border-2 p-3 text-lg">
        The coat is kept on this device and will be sent when the server answers.
      </p>
    );
  }
  const opens = clock.state === 'too-soon' && clock.until ? sayTime(clock.until, zone, now) : null;
  return (
    <p role="status" className="border-line border-2 p-3 text-lg">
      <strong>Coat logged.</strong>{' '}
      {opens
        ? `${clock.nextIsWater ? 'Ready for the water from' : 'The next coat may go on from'} ${opens}. `
        : ''}
      <Link className="link" to={`/window/${clock.areaId}`}>
        See the window
      </Link>
    </p>
  );
}
