import type { AlikeArea, BenchView, Product, Step } from '../../contract/index.ts';
import { willItReach } from '../../core/film/index.ts';
import { fromCanonical, shownUnit, toCanonical } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { type Applying, type CombReading, combVerdict, TEETH } from './applying.ts';
import { orProblem } from './batchInHand.ts';
import { Sections, SectionsElsewhere } from './Sections.tsx';
import { StopEarly } from './StopEarly.tsx';
import { isCutIn, techniqueOf } from './technique.ts';
import { type Covered, coveredOfAll, isAllCovered } from './together.ts';

interface Props {
  view: BenchView;
  step: Step;
  product: Product;
  /** Litres mixed for this coat since it was last logged. */
  mixed: number;
  /** Other areas painted in one go. */
  others: readonly AlikeArea[];
  applying: Applying;
  /** Adds this device to those at the coat. */
  join: () => void;
  zone: string;
  /** The coat ends before the area is covered. @param note why, for the log */
  onStop: (note: string) => void;
}

/** While the coat goes on: the film by the comb, and whether the paint reaches. */
export function WhileApplying(props: Props) {
  const { view, others, ...rest } = props;
  const { next } = view.clock;
  const ownM2 = next ? Math.max(0, next.areaM2 - next.coveredM2) : 0;
  return (
    <section aria-labelledby="applying" className="space-y-4">
      <h2 id="applying" tabIndex={-1} className="batten scroll-mt-20 pb-1 text-lg">{t`While applying`}</h2>
      <ul className="border-line space-y-1 border-l-4 pl-3 text-sm">
        {techniqueOf(props.step, props.view.area).map((tip) => (
          <li key={tip}>{tip}</li>
        ))}
      </ul>
      <CutIn {...props} />
      <Sections
        boat={view.boat}
        area={{ ...view.area, coveredM2: next?.coveredM2 ?? 0 }}
        isOneOfSeveral={others.length > 0}
        lap={view.clock.state === 'too-soon' ? view.clock.lap : null}
        areaM2={ownM2}
        takesAggregate={view.takesAggregate}
        {...rest}
      />
      {others.map((alike) => (
        <SectionsElsewhere
          key={alike.areaId}
          alike={alike}
          boat={view.boat}
          takesAggregate={view.takesAggregate}
          {...rest}
        />
      ))}
      <Comb {...props} />
      <WillReach
        {...props}
        all={coveredOfAll({ leftM2: ownM2, coveredM2: props.applying.progress.coveredShare * ownM2 }, others)}
      />
      <StopEarly zone={props.zone} onStop={props.onStop} />
    </section>
  );
}

/** Before spraying: the last 200 mm beside lines, as a step of its own. */
function CutIn({ step, applying }: Props) {
  if (!isCutIn(step.method)) return null;
  const { cutIn } = applying.progress;
  return (
    <label className={`target flex items-center gap-3 ${cutIn ? '' : 'text-lg font-semibold'}`}>
      <input
        type="checkbox"
        className="checkbox"
        checked={cutIn}
        onChange={({ target }) => applying.note({ cutIn: target.checked })}
      />
      <span>
        {cutIn
          ? t`Cut in: the last 200 mm beside lines.`
          : t`First cut in the last 200 mm beside lines by roller and brush: a sprayed edge mists.`}
      </span>
    </label>
  );
}

/** Readings of the wet-film comb, each by one tap on the last tooth wetted. */
function Comb({ step, product, applying }: Props) {
  const { show } = useUnits();
  const { sheet } = product;
  const { combs } = applying.progress;
  const last = combs.at(-1);
  const { value: film, problem } = orProblem(() =>
    combVerdict(sheet, step, last ?? { wetMicrons: 25, dryMicrons: 50 }),
  );
  if (film === null) return <p>{t`No wet film can be given: ${problem}.`}</p>;
  const target = film.wetTargetMicrons;
  // Teeth round the target: a film far from it is seen without a comb.
  const teeth = TEETH.filter((tooth) => tooth >= target * 0.4 && tooth <= target * 2);
  const next = (tooth: number) => TEETH.find((each) => each > tooth) ?? tooth * 1.25;
  return (
    <div className="space-y-2">
      <p>
        {t`Wet film wanted: `}
        <strong>{show(target, 'film')}</strong>
        {step.thinner > 0 && t`, with ${Math.round(step.thinner * 100)} % thinner`}
        {t`. Press the comb into the wet paint and tap the last tooth that is wet:`}
      </p>
      <div className="flex flex-wrap gap-2">
        {teeth.map((tooth) => (
          <button
            key={tooth}
            type="button"
            className="btn target min-w-14"
            onClick={() => applying.note({ comb: { wetMicrons: tooth, dryMicrons: next(tooth) } })}
          >
            {show(tooth, 'film')}
          </button>
        ))}
      </div>
      {last && <CombResult sheet={product.sheet} step={step} combs={combs} />}
      {last && (
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={() => applying.undo([last.id])}
        >{t`Undo last reading`}</button>
      )}
    </div>
  );
}

const WHAT_TO_DO = {
  thin: t`Too thin. Put more on while it is wet, or plan another coat.`,
  right: t`Within the data sheet’s limits.`,
  near: t`Near a limit of the data sheet, and may be outside it. Take another reading beside it.`,
  thick: t`Too thick: it can sag and trap solvent. Spread it further while it is wet.`,
} as const;

function CombResult({
  sheet,
  step,
  combs,
}: {
  sheet: Product['sheet'];
  step: Step;
  combs: readonly CombReading[];
}) {
  const { show } = useUnits();
  const verdicts = combs.map((comb) => combVerdict(sheet, step, comb));
  const last = verdicts.at(-1);
  const comb = combs.at(-1);
  if (!last || !comb) return null;
  const mean = verdicts.reduce((sum, { likelyMicrons }) => sum + likelyMicrons, 0) / verdicts.length;
  const bad = verdicts.filter(({ verdict }) => verdict === 'thin' || verdict === 'thick').length;
  return (
    <div role="status" className="space-y-1">
      <p className="text-xl">
        {t`Between ${show(comb.wetMicrons, 'film')} and ${show(comb.dryMicrons, 'film')} wet dries to `}
        <strong>{t`${show(last.lowMicrons, 'film')} to ${show(last.highMicrons, 'film')}`}</strong>.
      </p>
      <p className={last.verdict === 'right' ? '' : 'text-error font-semibold'}>{WHAT_TO_DO[last.verdict]}</p>
      {verdicts.length > 1 && (
        <p>
          {t`${verdicts.length} readings, mean ${show(mean, 'film')} dry, ${show(Math.min(...verdicts.map(({ lowMicrons }) => lowMicrons)), 'film')} to ${show(Math.max(...verdicts.map(({ highMicrons }) => highMicrons)), 'film')}`}
          {bad > 0 && t`, ${bad} outside the data sheet’s limits`}.
        </p>
      )}
    </div>
  );
}

/** Covered and used so far, and what that means for the rest. */
function WillReach({ product, mixed, applying, all }: Props & { all: Covered }) {
  const isMixed = product.sheet.parts.length > 1;
  const what = isMixed ? t`mixed` : t`of the planned amount`;
  const { show, symbol, system } = useUnits();
  const volume = shownUnit('volume', system);
  const used = applying.usedL ?? 0;
  const left = Math.max(0, mixed - used);
  const { value: reach } = orProblem(() =>
    willItReach({
      litresLeft: left,
      areaLeftM2: all.leftM2 - all.coveredM2,
      coveredM2: all.coveredM2,
      usedL: used,
    }),
  );
  const round = (value: number) => Math.round(value * 100) / 100;
  return (
    <div className="space-y-2">
      <div className="max-w-xs">
        <Stepper
          label={t`Paint used so far`}
          unit={symbol('volume')}
          value={round(fromCanonical(used, volume))}
          step={system === 'us' ? 0.05 : 0.1}
          min={0}
          max={round(fromCanonical(2000, volume))}
          onChange={(value) => applying.setUsedL(toCanonical(value, volume))}
        />
      </div>
      {reach === null || reach.reaches === null ? (
        <p>{t`Tap each section you have covered and enter the paint used so far to see whether the paint reaches.`}</p>
      ) : isAllCovered(all) ? (
        <p role="status" className="text-xl">{t`The whole area is covered. Log the coat.`}</p>
      ) : (
        <p role="status" className={`text-xl ${reach.reaches ? '' : 'text-warning font-semibold'}`}>
          {t`The rest takes ${show(reach.atPaceL ?? 0, 'volume')} at this pace. ${
            isMixed && used > mixed + 1e-6
              ? t`More is entered as used than was mixed, so the amount left is unknown.`
              : reach.reaches
                ? t`${show(left, 'volume')} ${what} is enough.`
                : t`${show(left, 'volume')} ${what} is not enough: ${isMixed ? t`mix` : t`get`} ${show(reach.shortL ?? 0, 'volume')} more.`
          }`}
        </p>
      )}
    </div>
  );
}
