import type { BenchView, Step } from '../../contract/index.ts';
import { nextPotMs } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { useNow } from '../clock/now.ts';
import { sayAt, sayCountdown } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { useAnnounced } from './announced.ts';
import { litresIn, ofCoat, orProblem } from './batchInHand.ts';
import { SPOKEN } from './ReadAloud.tsx';
import { sayRate } from './sayRate.ts';

interface Props {
  view: BenchView;
  step: Step;
  /** Litres still to mix for the coat. */
  missing: number;
  /** Litres used so far, where somebody has entered them; null: by the clock. */
  usedL: number | null;
  zone: string;
}

/** When to mix the next pot, ms; null: no pot is in use, enough is mixed, or it can’t be worked out. */
function nextAt({ view, step, missing, usedL }: Omit<Props, 'zone'>, now: number): number | null {
  const area = view.clock.next?.areaM2 ?? 0;
  const { rate } = view;
  const pots = ofCoat(view.pots, view, step);
  if (pots.length === 0 || missing <= 0 || !view.litresForCoat || !rate || area <= 0) return null;
  const litresPerM2 = view.litresForCoat / area;
  const mixed = litresIn(pots);
  // With the litres entered as used, what is left runs out from now on.
  // More than was mixed: what is left in these pots is not known.
  const used = usedL === null ? null : Math.max(0, usedL - litresIn(ofCoat(view.emptied, view, step)));
  const left = used === null || used > mixed + 1e-6 ? null : mixed - used;
  return orProblem(() =>
    nextPotMs({
      pots: pots.map(({ batch, inductionEnds, potEnds }) => ({
        readyMs: left === null ? Date.parse(inductionEnds) : Math.max(now, Date.parse(inductionEnds)),
        setsMs: potEnds === null ? null : Date.parse(potEnds),
        litres: left === null ? batch.litres : (left * batch.litres) / (mixed || 1),
      })),
      rateM2PerH: rate.m2PerH,
      litresPerM2,
      inductionMin: pots[0]?.batch.inductionMin ?? 0,
    }),
  ).value;
}

/** Countdown to mixing the next pot, which is then ready as the pots in use run out; announced when it is over. */
export function NextPot(props: Props) {
  const { view, missing, usedL, zone } = props;
  const now = useNow();
  const { show } = useUnits();
  const at = nextAt(props, now);
  useAnnounced(at !== null && at <= now, {
    title: t`Mix the next pot now`,
    text: t`${view.area.name}, ${view.boat.name}: ${show(missing, 'volume')} left to mix.`,
  });
  if (at === null) return null;
  const wait = at - now;
  return (
    <p className="border-line border-l-4 pl-3 text-xl" {...SPOKEN}>
      {wait > 0 ? (
        <>
          {t`Mix the next pot `}
          <strong>{sayAt(at, zone, now)}</strong>
          {t`, in `}
          <span className="big-figure">{sayCountdown(wait)}</span>
        </>
      ) : (
        <strong>{t`Mix the next pot now`}</strong>
      )}
      {t`: it is then ready as this one runs out. ${show(missing, 'volume')} left to mix`}
      {usedL === null && view.rate && `, at ${sayRate(view.rate, show)}`}.
    </p>
  );
}
