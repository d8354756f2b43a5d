import { useState } from 'react';
import type { BenchView } from '../../contract/index.ts';
import { useQueued } from '../api/mutations.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { mixedFor } from './batchInHand.ts';
import { NextPot } from './NextPot.tsx';
import { type MixingProps, OneBatch } from './OneBatch.tsx';
import { SPOKEN } from './ReadAloud.tsx';

/** The litres mixed and still to mix for the coat, and the next batch. */
export function Mixing({ usedL, zone, ...props }: MixingProps & { usedL: number | null; zone: string }) {
  const { view, step, product, wanted, othersM2 } = props;
  const { sheet } = product;
  const mixed = mixedFor(view, step);
  const missing = wanted === null ? null : Math.max(0, wanted - mixed);
  // With enough mixed, another pot isn’t suggested.
  const [more, setMore] = useState(false);
  // Sent from here: the form goes once enough is mixed, and what follows a write that arrived is to follow all the same.
  const { mutate: log, isPending: sending } = useQueued();
  return (
    <section aria-labelledby="mixing" className="space-y-4">
      <h2 id="mixing" tabIndex={-1} className="batten scroll-mt-20 pb-1 text-lg">
        {sheet.parts.length > 1 ? 'Mix' : sheet.canLitres ? 'Spray' : 'Pour'}
      </h2>
      <Wanted view={view} wanted={wanted} several={othersM2 > 0} mixed={mixed} missing={missing} />
      {missing !== null && <NextPot view={view} step={step} missing={missing} usedL={usedL} zone={zone} />}
      {missing === 0 && !more ? (
        <button type="button" className="btn target" onClick={() => setMore(true)}>
          Mix more anyway
        </button>
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
        ? 'The part not yet covered needs'
        : 'This coat needs'}{' '}
      <strong>{show(wanted, 'volume')}</strong>
      {several && ' for all selected areas'}.
      {mixed > 0 && missing !== null && (
        <>
          {' '}
          {show(mixed, 'volume')} mixed{missing > 0 ? ', ' : '. '}{' '}
          <strong>{missing > 0 ? `${show(missing, 'volume')} still to mix.` : 'Nothing left to mix.'}</strong>
        </>
      )}
    </p>
  );
}
