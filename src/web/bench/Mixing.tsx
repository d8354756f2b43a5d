import { useState } from 'react';
import type { BenchView } from '../../contract/index.ts';
import { willItReach } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { useQueued } from '../api/mutations.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { mixedFor, orProblem } from './batchInHand.ts';
import { NextPot } from './NextPot.tsx';
import { type MixingProps, OneBatch } from './OneBatch.tsx';
import { SPOKEN } from './ReadAloud.tsx';
import { type Covered, isAllCovered } from './together.ts';

/** The litres mixed and still to mix for the coat, and the next batch. */
export function Mixing({
  usedL,
  all,
  zone,
  ...props
}: MixingProps & { usedL: number | null; all: Covered; zone: string }) {
  const { view, step, product, wanted, othersM2 } = props;
  const { sheet } = product;
  const mixed = mixedFor(view, step);
  const missing = wanted === null ? null : isAllCovered(all) ? 0 : Math.max(0, wanted - mixed);
  // More used than mixed: what is left of it is not known.
  const atPace = usedL !== null && usedL <= mixed ? shortAtPace(mixed, usedL, all) : null;
  // With enough mixed, another pot isn’t suggested.
  const [more, setMore] = useState(false);
  // Sent from here: the form goes once enough is mixed, and what follows a write that arrived is to follow all the same.
  const { mutate: log, isPending: sending } = useQueued();
  return (
    <section aria-labelledby="mixing" className="space-y-4">
      <h2 id="mixing" tabIndex={-1} className="batten scroll-mt-20 pb-1 text-lg">
        {sheet.parts.length > 1 ? t`Mix` : sheet.canLitres ? t`Spray` : t`Pour`}
      </h2>
      <Wanted view={view} wanted={wanted} several={othersM2 > 0} mixed={mixed} missing={missing} />
      {missing !== null && atPace !== null && <AtPace planned={missing} atPace={atPace} />}
      {missing !== null && <NextPot view={view} step={step} missing={missing} usedL={usedL} zone={zone} />}
      {missing === 0 && !more ? (
        <button
          type="button"
          className="btn target"
          onClick={() => setMore(true)}
        >{t`Mix more anyway`}</button>
      ) : (
        <OneBatch
          {...props}
          missing={missing}
          log={log}
          sending={sending}
          onMixed={() => {
            setMore(false);
            props.onMixed();
          }}
        />
      )}
    </section>
  );
}

/** Litres short of what the rest takes as the coat was applied so far; null: nothing is known of that. */
const shortAtPace = (mixed: number, usedL: number, { leftM2, coveredM2 }: Covered): number | null =>
  orProblem(() =>
    willItReach({
      litresLeft: mixed - usedL,
      areaLeftM2: Math.max(0, leftM2 - coveredM2),
      coveredM2,
      usedL,
    }),
  ).value?.shortL ?? null;

/** Differences below this share of what is planned are not worth a word. */
const ALIKE = 0.05;

/** The rest as the coat was applied so far, where that is another amount than planned. */
function AtPace({ planned, atPace }: { planned: number; atPace: number }) {
  const { show } = useUnits();
  if (Math.abs(atPace - planned) <= ALIKE * Math.max(atPace, planned)) return null;
  return (
    <p className={atPace > planned ? 'text-warning font-semibold' : ''}>
      {atPace > planned
        ? t`The coat goes on thicker than planned: at this pace ${show(atPace, 'volume')} more is needed.`
        : t`The coat goes on thinner than planned: at this pace ${atPace > 0 ? t`${show(atPace, 'volume')} more would do` : t`the mixed paint is enough`}. Check the wet film.`}
    </p>
  );
}

/** What the coat takes, what is mixed of it, and what is still missing. */
function Wanted({
  view,
  wanted,
  several,
  mixed,
  missing,
}: {
  view: BenchView;
  wanted: number | null;
  several: boolean;
  mixed: number;
  missing: number | null;
}) {
  const { show } = useUnits();
  if (wanted === null) return null;
  return (
    <p {...SPOKEN}>
      {view.clock.next && view.clock.next.coveredM2 > 0
        ? t`The part not yet covered needs`
        : t`This coat needs`}{' '}
      <strong>{show(wanted, 'volume')}</strong>
      {several && t` for all selected areas`}.
      {mixed > 0 && missing !== null && (
        <>
          {t` ${show(mixed, 'volume')} mixed${missing > 0 ? ', ' : '. '} `}
          <strong>
            {missing > 0 ? t`${show(missing, 'volume')} still to mix.` : t`Nothing left to mix.`}
          </strong>
        </>
      )}
    </p>
  );
}
