import { useId, useState } from 'react';
import type { AlikeArea, BenchView, Product, Step } from '../../contract/index.ts';
import { lapReady, MOST_SECTIONS, MOST_WET_EDGE_MIN, sectionsOf } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { useNow } from '../clock/now.ts';
import { sayAt, sayTime } from '../clock/say.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { useAnnounced } from './announced.ts';
import { type Applying, useApplying } from './applying.ts';
import { SectionsDrawing } from './SectionsDrawing.tsx';

interface Props {
  boat: BenchView['boat'];
  area: { id: string; name: string; coveredM2: number };
  /** The coat is applied to other areas too. */
  isOneOfSeveral: boolean;
  step: Step;
  product: Product;
  /** The second lap straight on that this coat is; null: it is none. */
  lap: BenchView['clock']['lap'];
  /** Aggregate is strewn into the coat while it is wet. */
  takesAggregate: boolean;
  /** m² that this coat still has to cover. */
  areaM2: number;
  applying: Applying;
  zone: string;
}

const MINUTE_MS = 60_000;
/** From so long after a section was covered until so long after, runs in it are looked for, min [M]: the handbook says "after a few minutes". */
const RUNS_FROM_MIN = 5;
const RUNS_UNTIL_MIN = 15;

/** The sections of another area that is painted in one go. */
export function SectionsElsewhere({
  alike,
  join,
  takesAggregate,
  ...rest
}: Pick<Props, 'boat' | 'step' | 'product' | 'zone' | 'takesAggregate'> & {
  alike: AlikeArea;
  join: () => void;
}) {
  const applying = useApplying(alike, join);
  const area = { id: alike.areaId, name: alike.areaName, coveredM2: alike.coveredM2 };
  return (
    <Sections
      {...rest}
      area={area}
      isOneOfSeveral
      lap={null}
      takesAggregate={takesAggregate}
      areaM2={alike.leftM2}
      applying={applying}
    />
  );
}

/** The area in sections, ticked off in the order of work, with the time that the last edge has been wet. */
export function Sections(props: Props) {
  const { boat, area, isOneOfSeveral, lap, takesAggregate, step, product, areaM2, applying, zone } = props;
  const heading = useId();
  const { show } = useUnits();
  const { sections, coveredShare } = applying.progress;
  const [chosen, setChosen] = useState<number | null>(null);
  const wetEdge = useWetEdge(product.id, applying.progress.wetEdgeMin);
  if (areaM2 <= 0) return null;
  const count = sections.length || (chosen ?? sectionsOf(areaM2, step.method));
  const done = sections.filter(({ atMs }) => atMs !== null).length;
  const each = show(areaM2 / count, 'area');
  const isCovered = (no: number) => typeof sections[no]?.atMs === 'number';
  const tap = (no: number) =>
    isCovered(no)
      ? applying.undo(sections[no]?.notes ?? [])
      : applying.note({ section: { no, of: count }, wetEdgeMin: wetEdge.minutes || null });
  return (
    <section aria-labelledby={heading} className="space-y-2">
      <h3 id={heading} className="label-caps">
        {isOneOfSeveral ? t`Sections of ${area.name}` : t`Sections`}
      </h3>
      <p>
        {done > 0
          ? t`${done} of ${counted(count, 'section')} covered, ${show(coveredShare * areaM2, 'area')} of ${show(areaM2, 'area')}.`
          : count === 1
            ? t`One section of ${each}. Tap it once you have covered it.`
            : t`${count} sections of ${each}. Join each one while the edge of the last is wet, and stop only at a chine, seam or tape line. Tap each section you have covered.`}
      </p>
      {takesAggregate && (
        <p className="font-semibold">{t`Strew aggregate into each section as soon as it is covered, to excess, until no wet paint shows. Leave a wet strip along the edge that the next section joins.`}</p>
      )}
      {lap && <SecondLap lap={lap} count={count} zone={zone} />}
      <SectionsDrawing
        boatId={boat.id}
        areaId={area.id}
        isPart={area.coveredM2 > 0}
        count={count}
        isCovered={isCovered}
        onTap={tap}
      />
      <div className="flex flex-wrap gap-2">
        {Array.from({ length: count }, (_, no) => {
          const covered = isCovered(no);
          return (
            <button
              // biome-ignore lint/suspicious/noArrayIndexKey: a section is its number
              key={no}
              type="button"
              className={`btn target min-w-14 ${covered ? 'btn-neutral' : ''}`}
              aria-pressed={covered}
              aria-label={t`Section ${no + 1} of ${count}${isOneOfSeveral ? `, ${area.name}` : ''}`}
              onClick={() => tap(no)}
            >
              {covered && '✓ '}
              {no + 1}
            </button>
          );
        })}
      </div>
      {done === 0 ? (
        <div className="max-w-xs">
          <Stepper
            label={t`Number of sections`}
            unit=""
            value={count}
            step={1}
            min={1}
            max={MOST_SECTIONS}
            onChange={(value) => setChosen(Math.round(value))}
          />
        </div>
      ) : (
        done < count && <WetEdge boat={boat} area={area} applying={applying} zone={zone} {...wetEdge} />
      )}
    </section>
  );
}

/** The sections that a second lap can go over at present. */
function SecondLap({ lap, count, zone }: { lap: NonNullable<Props['lap']>; count: number; zone: string }) {
  const now = useNow();
  const farEndMs = Date.parse(lap.farEnd);
  const startMs = Math.min(Date.parse(lap.start), farEndMs);
  const { ready, nextMs } = lapReady({ startMs, farEndMs, sections: count, nowMs: now });
  if (nextMs === null) return null;
  return (
    <p className="font-semibold">
      {ready > 0 && t`The coat below is ready in ${ready === 1 ? 'section 1' : `sections 1 to ${ready}`}. `}
      {t`Section ${ready + 1} is ready ${sayAt(nextMs, zone, now)}. Don’t overtake the cure.`}
    </p>
  );
}

const keyOf = (productId: string) => `jack-plane.wet-edge.${productId}`;

function keptMinutes(productId: string): number {
  const kept = Number(localStorage.getItem(keyOf(productId)));
  return kept >= 1 && kept <= MOST_WET_EDGE_MIN ? kept : 0;
}

/** Minutes that an edge stays wet: as set here, until somebody states others at a section; else as set here for this product before; 0: not known. */
function useWetEdge(productId: string, stated: number | null) {
  const [own, setOwn] = useState<{ minutes: number; over: number | null } | null>(null);
  const minutes = own && own.over === stated ? own.minutes : (stated ?? keptMinutes(productId));
  const set = (next: number) => {
    localStorage.setItem(keyOf(productId), String(next));
    setOwn({ minutes: next, over: stated });
  };
  return { minutes, set };
}

type WetEdgeProps = Pick<Props, 'boat' | 'area' | 'applying' | 'zone'> & ReturnType<typeof useWetEdge>;

/** How long the last edge has been wet, until when the next section has to join it, and where to look for runs. */
function WetEdge({ boat, area, applying, zone, minutes, set }: WetEdgeProps) {
  const now = useNow();
  const times = applying.progress.sections.flatMap(({ atMs }, no) => (atMs === null ? [] : [{ atMs, no }]));
  const lastMs = Math.max(...times.map(({ atMs }) => atMs));
  const wetMin = Math.floor((now - lastMs) / MINUTE_MS);
  const wetFor = wetMin < 1 ? t`less than 1 min` : t`${wetMin} min`;
  const byMs = minutes > 0 ? lastMs + minutes * MINUTE_MS : null;
  const isSet = byMs !== null && now >= byMs;
  useAnnounced(isSet, {
    title: t`The wet edge may have set`,
    text: t`${area.name}, ${boat.name}: stop at a chine, seam or tape line.`,
  });
  const age = (atMs: number) => (now - atMs) / MINUTE_MS;
  const runs = times.filter(({ atMs }) => age(atMs) >= RUNS_FROM_MIN && age(atMs) < RUNS_UNTIL_MIN);
  return (
    <div className="space-y-2">
      <p className={`text-xl ${isSet ? 'text-error font-semibold' : ''}`} role={isSet ? 'alert' : undefined}>
        {isSet
          ? t`The edge may have set. Don’t work into it: finish at a chine, seam or tape line and join there.`
          : byMs === null
            ? t`The last edge has been wet for ${wetFor}.`
            : t`Join the next section by ${sayTime(byMs, zone, now)}. The edge has been wet for ${wetFor}.`}
      </p>
      {runs.length > 0 && (
        <p>{t`Look at ${runs.length > 1 ? t`sections` : t`section`} ${runs.map(({ no }) => no + 1).join(', ')} again for runs and dry spots, with the light at a low angle.`}</p>
      )}
      <div className="max-w-xs">
        <Stepper
          label={t`Wet edge stays open`}
          unit="min"
          value={minutes}
          step={1}
          min={0}
          max={MOST_WET_EDGE_MIN}
          onChange={(value) => set(Math.round(value))}
        />
        <p className="text-sm">{t`From the data sheet; shorter in heat, sun and wind. 0: not known.`}</p>
      </div>
    </div>
  );
}
