import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BenchView, LoggedConditions } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { type InsideAsked, useBench } from '../api/benchQueries.ts';
import { useYard } from '../api/queries.ts';
import { sayTime } from '../clock/say.ts';
import { HandTests } from '../parts/HandTests.tsx';
import { OpenFaults } from '../parts/OpenFaults.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { RunningClocks } from '../parts/RunningClocks.tsx';
import { AnotherRound } from './AnotherRound.tsx';
import { PaintedFrom, People, SessionLine } from './AtTheCoat.tsx';
import { type CoatOn, useApplying } from './applying.ts';
import { BenchHead } from './BenchHead.tsx';
import { BenchSteps, NextStep } from './BenchSteps.tsx';
import { BlastClock } from './BlastClock.tsx';
import { mixedFor } from './batchInHand.ts';
import { Conditions, conditionsFrom } from './Conditions.tsx';
import { OldLineAsked } from './LeaveBare.tsx';
import { LogCoat } from './LogCoat.tsx';
import { JustLogged, type LoggedCoat, PullTape } from './Logged.tsx';
import { MixAndApply } from './MixAndApply.tsx';
import { PotClocks } from './PotClocks.tsx';
import { ReadyDetails } from './ReadyDetails.tsx';
import { StrewNow } from './StrewNow.tsx';
import { useSession } from './session.ts';
import { TakeOff } from './TakeOff.tsx';
import { Together } from './Together.tsx';
import { coveredOfAll, isAllCovered } from './together.ts';
import { useBenchPart } from './useBenchPart.ts';
import { useWakeLock } from './useWakeLock.ts';
import { WorkBefore } from './WorkBefore.tsx';

/** What the server takes for a cover where nobody says otherwise. */
const USUAL_INSIDE: InsideAsked = {
  heatC: 15,
  watts: 2000,
  shell: null,
  outsideM2: null,
  changesTenths: null,
  wetDl: 0,
  roomM3: 60,
};

const coatOn = ({ area, clock: { next }, progress }: BenchView): CoatOn => ({
  areaId: area.id,
  stepId: next?.stepId,
  coatNo: next?.coatNo,
  coveredM2: next?.coveredM2,
  progress,
});

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
  /** Why the coat in hand ended before its area was covered; null: it did not. */
  const [stopNote, setStopNote] = useState<string | null>(null);
  const [logged, setLogged] = useState<LoggedCoat | null>(null);
  const { clock, step, product } = view;
  const { next } = clock;
  useWakeLock(view.pots.length > 0);
  const { applies, part, toPart, classOf, onMixed, onLogged } = useBenchPart({ view });
  const bench = useSession(view);
  const applying = useApplying(coatOn(view), bench.join);
  const conditions = typed ?? conditionsFrom(view);
  const share = next && next.areaM2 > 0 ? 1 - next.coveredM2 / next.areaM2 : 1;
  // An area that no longer takes the coat drops out by itself.
  const others = view.alike.filter(({ areaId }) => bench.session?.areaIds.includes(areaId));
  const own = view.litresForCoat === null ? null : view.litresForCoat * share;
  const wanted = own === null ? null : others.reduce((sum, { litres }) => sum + litres, own);
  const ownM2 = next ? Math.max(0, next.areaM2 - next.coveredM2) : 0;
  const all = coveredOfAll({ leftM2: ownM2, coveredM2: applying.progress.coveredShare * ownM2 }, others);
  return (
    <div className="max-w-6xl space-y-6 p-3 max-md:-mb-10 md:p-6">
      <BenchHead view={view} zone={zone} />
      <SessionLine {...bench} view={view} zone={zone} />
      <PaintedFrom area={view.paintedFrom} />
      <StrewNow view={view} zone={zone} />
      {step && product && <BenchSteps applies={applies} part={part} onPart={toPart} />}
      <JustLogged
        logged={logged}
        onDone={() => setLogged((last) => last && { ...last, coat: null })}
        view={view}
        zone={zone}
      />
      <PullTape view={view} />
      {/* At a desk the verdict and the clocks stand beside the step in hand, so that its action is in sight. */}
      <div className="grid grid-cols-1 items-start gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="space-y-6">
          <PotClocks pots={view.pots} step={step} product={product} zone={zone} />
          <BlastClock view={view} />
          <div className={`space-y-6 ${classOf('ready')}`}>
            <OldLineAsked view={view} />
            {step && product && (
              <Conditions
                view={view}
                sheet={product.sheet}
                conditions={conditions}
                onChange={setTyped}
                zone={zone}
                safeHours={safeHours}
                onSafeHours={onSafeHours}
                missing={wanted === null ? null : Math.max(0, wanted - mixedFor(view, step))}
              />
            )}
            <OpenFaults
              faults={view.faults}
              boatId={view.boat.id}
              say={(at) => sayTime(at, zone, Date.parse(view.now))}
            />
            <WorkBefore view={view} zone={zone} />
            <Together
              alike={view.alike}
              planned={view.plannedTogether}
              chosen={new Set(others.map(({ areaId }) => areaId))}
              onChange={(chosen) => bench.change({ areaIds: [...chosen] })}
              zone={zone}
              now={Date.parse(view.now)}
            />
            <ReadyDetails {...{ view, zone, site, safeHours, inside, onInside }}>
              <People {...bench} />
            </ReadyDetails>
            <div className="space-y-2">
              <HandTests clock={clock} zone={zone} now={Date.parse(view.now)} />
              <AnotherRound key={clock.film?.entryIds.join() ?? ''} view={view} />
              <RunningClocks areaId={view.area.id} zone={zone} />
              <TakeOff view={view} zone={zone} />
            </div>
          </div>
        </div>
        {step && product ? (
          <div className="space-y-6">
            <MixAndApply
              view={view}
              step={step}
              product={product}
              wanted={wanted}
              others={others}
              all={all}
              airC={conditions?.airC ?? null}
              applying={applying}
              join={bench.join}
              applies={applies}
              onStop={(note) => {
                setStopNote(note);
                toPart('log');
              }}
              zone={zone}
              classOf={classOf}
              onMixed={() => {
                bench.join();
                onMixed();
              }}
            />
            <div className={classOf('log')}>
              <LogCoat
                key={`${step.id}-${next?.coatNo}-${next?.coveredM2}-${stopNote}`}
                view={view}
                others={others}
                own={own}
                step={step}
                product={product}
                conditions={conditions}
                wanted={wanted}
                zone={zone}
                people={bench.session?.people ?? []}
                coveredShare={
                  applying.progress.coveredShare || (stopNote === null && all.coveredM2 === 0 ? 1 : null)
                }
                all={all}
                stopNote={stopNote}
                usedL={applying.usedL}
                onLogging={applying.settle}
                onLogged={(how, { method, colour }) => {
                  setLogged({ how, coat: { product, method, colour } });
                  setStopNote(null);
                  onLogged();
                  window.scrollTo({ top: 0, behavior: 'smooth' });
                }}
              />
            </div>
          </div>
        ) : (
          <p>
            {clock.state === 'no-system' ? (
              <>
                {t`This area has no coats chosen. `}
                <Link
                  className="link"
                  to={`/boats/${view.boat.id}/systems/${view.area.id}`}
                >{t`Choose its system`}</Link>
              </>
            ) : (
              t`All coats applied. Nothing left to mix.`
            )}
          </p>
        )}
      </div>
      {step && product && (
        <NextStep
          applies={applies}
          part={part}
          onPart={toPart}
          isSuitable={view.outlook?.ok === true}
          mixes={
            product.sheet.parts.length > 1 &&
            !isAllCovered(all) &&
            (wanted === null || mixedFor(view, step) < wanted)
          }
        />
      )}
    </div>
  );
}
