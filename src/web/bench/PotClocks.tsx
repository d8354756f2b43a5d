import { v7 as uuidv7 } from 'uuid';
import type { PotView, Product, Step } from '../../contract/index.ts';
import { litresInPot } from '../../core/mix/index.ts';
import { type ProductSheet, thinnerOf } from '../../core/system/index.ts';
import { figure } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useNow } from '../clock/now.ts';
import { sayCountdown, sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { offPlan } from './additiveNames.ts';
import { useAnnounced } from './announced.ts';
import { DiscardPot } from './DiscardPot.tsx';
import { SPOKEN } from './ReadAloud.tsx';
import { WrongPour } from './WrongPour.tsx';

/** So long two parts are stirred once they are together [T], ms. */
const STIR_MS = 2 * 60_000;

/** Minutes before the pot sets at which it says so in the signal colour. */
const LAST_MINUTES = 15;

/** The live pots of an area: induction, then pot life, each counting down. They come from the log, so a reload or another phone shows the same. */
export function PotClocks({
  pots,
  step,
  product,
  zone,
}: {
  pots: readonly PotView[];
  /** The step that the pots are for; null: it is done. */
  step: Step | null;
  /** The product of that step. */
  product: Product | null;
  zone: string;
}) {
  if (pots.length === 0) return null;
  return (
    <section aria-labelledby="pots" className="space-y-3">
      <h2 id="pots" className="batten pb-1 text-lg">
        {t`Mixed, in use`}
        {pots.length > 1 && t` (${pots.length} pots)`}
      </h2>
      {pots.map((pot) => (
        <PotClock
          key={pot.entryId}
          pot={pot}
          step={step?.id === pot.batch.stepId ? step : null}
          sheet={product?.id === pot.batch.productId ? product.sheet : null}
          zone={zone}
        />
      ))}
    </section>
  );
}

function PotClock({
  pot,
  step,
  sheet,
  zone,
}: {
  pot: PotView;
  /** null: of another step, or its step is done. */
  step: Step | null;
  sheet: ProductSheet | null;
  zone: string;
}) {
  const now = useNow();
  const { show } = useUnits();
  const mixed = Date.parse(pot.mixedAt);
  const ready = Date.parse(pot.inductionEnds);
  const sets = pot.potEnds === null ? null : Date.parse(pot.potEnds);
  const inducting = now < ready;
  const set = sets !== null && now >= sets;
  const isStirred = pot.batch.pours.length > 1 && now < mixed + STIR_MS;
  const until = inducting ? ready : sets;
  const last = !inducting && sets !== null && sets - now < LAST_MINUTES * 60_000;
  const whole = (sets ?? ready) - mixed || 1;
  const at = (ms: number) => Math.min(1, Math.max(0, (ms - mixed) / whole)) * 1000;
  useAnnounced(!inducting, {
    title: t`Pot ready to apply`,
    text: t`${pot.productName}, ${pot.areaName}. The standing time is over.`,
  });
  useAnnounced(last, {
    title: t`Pot life ends in ${LAST_MINUTES} minutes`,
    text: `${pot.productName}, ${pot.areaName}.`,
  });
  const thinner = (sheet && step && thinnerOf(sheet, step.method)?.name) ?? 'thinner';
  const { mutate: log } = useQueued();
  const end = (fate: 'emptied' | 'discarded', usedL = 0) =>
    log(
      entryWrite({
        id: uuidv7(),
        areaId: pot.areaId,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'batch-end',
        body: { batchId: pot.entryId, fate, ...(usedL > 0 && { usedL }) },
      }),
    );
  return (
    <div className={`board space-y-3 border-l-8 p-3 ${last ? 'border-l-signal' : 'border-l-primary'}`}>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="lettered text-xl" {...SPOKEN}>
            {sayPot({ isStirred, inducting, set })}
          </p>
          <p>
            {t`${show(litresInPot(pot.batch), 'volume')} of ${pot.productName}, mixed ${sayTime(mixed, zone, now)} (${pot.batch.pours.map((p) => `${p.name} ${figure(p.amount)} ${p.unit}`).join(', ')})`}
          </p>
        </div>
        {until !== null && !set && (
          <p className="text-right" {...SPOKEN}>
            <span className="label-caps block">{inducting ? t`ready in` : t`pot life ends in`}</span>
            <span className={`big-figure text-6xl ${last ? 'signal-text' : ''}`} role="timer">
              {sayCountdown(until - now)}
            </span>
          </p>
        )}
      </div>
      {isStirred && (
        <p className="text-xl" {...SPOKEN}>
          {t`Two minutes in all: `}
          <span className="big-figure">{sayCountdown(mixed + STIR_MS - now)}</span>
          {t` left.`}
        </p>
      )}
      {pot.batch.inductionMin > 0 && pot.batch.thinnerLitres > 0 && !set && (
        <p className={inducting ? '' : 'text-lg font-semibold'}>
          {inducting
            ? t`After the standing time, stir in ${show(pot.batch.thinnerLitres, 'volume')} of ${thinner}.`
            : t`Stir in now, if it isn’t in yet: ${show(pot.batch.thinnerLitres, 'volume')} of ${thinner}, before you apply. Check its label first.`}
        </p>
      )}
      {step && <WrongAdditive pot={pot} step={step} />}
      <svg viewBox="0 0 1000 30" preserveAspectRatio="none" className="block h-6 w-full" aria-hidden="true">
        <rect
          x="0"
          y="4"
          width={at(ready)}
          height="22"
          fill="url(#st-too-soon)"
          stroke="var(--st-too-soon)"
        />
        {sets !== null && (
          <rect
            x={at(ready)}
            y="4"
            width={1000 - at(ready)}
            height="22"
            fill="url(#st-open)"
            stroke="var(--st-open)"
          />
        )}
        <rect x={at(now) - 2} y="0" width="4" height="30" fill="var(--line)" />
      </svg>
      <div className="flex flex-wrap items-center gap-2">
        <span className="grow text-sm">
          {pot.batch.inductionMin > 0 && t`Ready ${sayTime(ready, zone, now)}. `}
          {t`${
            sets === null
              ? t`Pot life unknown. Stop when the mix warms or thickens (common practice). `
              : t`Pot life ends ${sayTime(sets, zone, now)}. `
          }Never pour leftovers back into the tin.`}
        </span>
        {sheet && !set && <WrongPour pot={pot} sheet={sheet} zone={zone} />}
        <button
          type="button"
          className="btn target"
          onClick={() => end('emptied')}
        >{t`Mark pot used up`}</button>
        <DiscardPot pot={pot} onDiscard={(usedL) => end('discarded', usedL)} />
      </div>
    </div>
  );
}

/** The state of a pot. */
function sayPot(of: { isStirred: boolean; inducting: boolean; set: boolean }): string {
  if (of.set) return t`Pot life over. Don’t use this pot.`;
  if (of.isStirred) return t`Stir, scraping the sides and the bottom`;
  return of.inducting ? t`Standing time: leave the pot to stand` : t`Ready to apply`;
}

/** Additives in a pot that the system doesn’t plan, and planned ones that are missing. */
function WrongAdditive({ pot, step }: { pot: PotView; step: Step }) {
  const { extra, left } = offPlan(
    (pot.batch.additives ?? []).map(({ name }) => name),
    step.additives.map(({ name }) => name),
  );
  if (extra.length + left.length === 0) return null;
  return (
    <p role="alert" className="text-error font-semibold">
      {extra.length > 0 && t`In this pot, and not planned: ${extra.join(', ')}. `}
      {left.length > 0 && t`Planned, and not in this pot: ${left.join(', ')}. `}
      {extra.length > 0
        ? t`Don’t apply it unless the data sheet allows that. The timer above doesn’t allow for it.`
        : t`Stir it in, or plan the coat without it.`}
    </p>
  );
}
