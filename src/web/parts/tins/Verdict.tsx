import type { Product, TinsView } from '../../../contract/index.ts';
import type { Reconciled } from '../../../core/supply/index.ts';
import { t } from '../../../words.ts';
import { sayTime } from '../../clock/say.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import { sayAmount } from '../../words/supply.ts';

const pct = (fraction: number) => `${Math.round(Math.abs(fraction) * 100)} %`;

/** What too much or too little hardener does to a two-pack [T]. */
const EFFECT = {
  'too-much': t`Too much hardener makes the film softer and slower to sand. It lets the film bloom in damp air and stops the next coat from adhering. Test the affected coats before overcoating.`,
  'too-little': t`With too little hardener, part of the base never cures. The film stays permanently soft and must be removed. Test the affected coats before overcoating.`,
} as const;

/** What too much or too little of a reducer does, which is part of the ratio but cures nothing [T]. */
const REDUCER_EFFECT = {
  'too-much': t`Too much reducer makes the film thinner than planned, and it runs more easily. Check the film of the coats it went into.`,
  'too-little': t`With too little reducer the paint flows out badly and goes on thicker than planned. Check the film of the coats it went into.`,
} as const;

const isReducer = ({ sheet }: Product, part: string): boolean =>
  sheet.parts.some(({ name, reducer }) => name === part && reducer === true);

/** What the tins say, what could explain it, and how to come out with both of them empty. */
export function Verdict(of: {
  found: Reconciled;
  view: TinsView;
  product: Product;
  zone: string;
  now: number;
}) {
  const { found, view } = of;
  const { show } = useUnits();
  const unit = view.parts[0]?.unit ?? 'l';
  const say = (amount: number) => sayAmount(show, amount, unit);
  const [error] = found.errors;
  return (
    <section aria-labelledby="tins-say" className="space-y-3">
      <h2 id="tins-say" className="batten pb-1 text-lg">{t`Result`}</h2>
      <p role="status" className="border-line border-l-4 pl-3 text-lg">
        <VerdictText found={found} />
      </p>
      {error && (
        <p className="text-sm">{t`Used: ${view.parts.map(({ name }, i) => `${say(found.used[i] ?? 0)} ${name}`).join(' and ')}. At this precision, ${error.part} was between ${error.low < 0 ? t`${pct(error.low)} too little` : t`${pct(error.low)} too much`} and ${
          error.high === null
            ? 'anything'
            : error.high < 0
              ? t`${pct(error.high)} too little`
              : t`${pct(error.high)} too much`
        }.`}</p>
      )}
      {found.worst && found.astray.length > 0 && (
        <p>{t`Or the ratio was correct, and ${found.astray.map(({ part, amount }) => `${say(amount)} of ${part}`).join(' and ')} was spilt or lost.`}</p>
      )}
      {found.worst && (found.verdict === 'too-much' || found.verdict === 'too-little') && (
        <p className="text-warning font-semibold">
          {isReducer(of.product, found.worst.part) ? REDUCER_EFFECT[found.verdict] : EFFECT[found.verdict]}
        </p>
      )}
      {found.explanations.length > 0 && <Explanations {...of} />}
      <StockLeft {...of} />
    </section>
  );
}

function VerdictText({ found }: { found: Reconciled }) {
  switch (found.verdict) {
    case 'nothing-used':
      return <>{t`The ratio can’t be worked out: nothing has been used, or not enough of every part.`}</>;
    case 'in-ratio':
      return <strong>{t`Mixed in the correct ratio.`}</strong>;
    case 'cannot-tell':
      return (
        <>{t`Can’t tell at this precision. Measure the remaining amounts more finely, or wait until more has been used.`}</>
      );
    default:
      return (
        <strong>
          {t`${pct(found.worst?.error ?? 0)} too ${found.verdict === 'too-much' ? 'much' : 'little'} `}
          {found.worst?.part}.
        </strong>
      );
  }
}

function Explanations({
  found,
  view,
  zone,
  now,
}: {
  found: Reconciled;
  view: TinsView;
  zone: string;
  now: number;
}) {
  const { show } = useUnits();
  const unit = view.parts[0]?.unit ?? 'l';
  const batch = (id: string | null) => {
    const one = view.batches.find((each) => each.id === id);
    return one ? t`the batch of ${sayTime(one.at, zone, now)} for ${one.areaName}` : t`a batch`;
  };
  const say = ({ kind, batchId, part, amount }: Reconciled['explanations'][number]): string => {
    const much = sayAmount(show, amount, unit);
    switch (kind) {
      case 'logged-off':
        return t`${batch(batchId)} was logged with a wrong ratio`;
      case 'twice':
        return t`${part} was added twice to ${batch(batchId)} (${much})`;
      case 'left-out':
        return t`${part} was left out of ${batch(batchId)} (${much})`;
      case 'swapped':
        return t`base and hardener were swapped in ${batch(batchId)}`;
      case 'not-logged':
        return t`A batch of ${much} in the correct ratio wasn’t logged`;
      case 'spilt':
        return t`${much} of ${part} was spilt`;
    }
  };
  return (
    <div>
      <h3 className="font-semibold">{t`Possible explanations, most likely first`}</h3>
      <ol className="list-decimal pl-5">
        {found.explanations.map((each) => (
          <li key={`${each.kind} ${each.batchId} ${each.part}`}>
            {t`${say(each)} (${Math.round(each.fits * 100)} % match)`}
          </li>
        ))}
      </ol>
    </div>
  );
}

function StockLeft({ found, view, product }: { found: Reconciled; view: TinsView; product: Product }) {
  const { show } = useUnits();
  const unit = view.parts[0]?.unit ?? 'l';
  const say = (amount: number) => sayAmount(show, amount, unit);
  const { end, missing, reach } = found;
  return (
    <div className="space-y-1">
      <p>
        {t`Remaining stock makes `}
        <strong>{say(reach.mixed)}</strong>
        {t` of mixed paint. Planned work needs ${show(view.ahead.safe, 'volume')} (safe estimate). `}
        {missing.length > 0 ? (
          <strong className="text-error">
            {t`${missing.map(({ part, amount }) => `${say(amount)} of ${part}`).join(' and ')} missing.`}
          </strong>
        ) : (
          t`That is enough.`
        )}
      </p>
      {end.kind === 'together' ? (
        <p>{t`Both tins will run out together. Mix everything that is left (${end.ratio.map((each) => say(each)).join(' : ')}): ${pct(end.error)} off the ratio, within tolerance.`}</p>
      ) : (
        <p>
          {t`To use up both tins, buy `}
          <strong>{say(end.buy)}</strong>
          {t` more ${end.part}, or leave ${end.leave.map(({ part, amount }) => `${say(amount)} of ${part}`).join(' and ')} unmixed. Never make up the ${product.sheet.parts.length > 1 ? t`other part` : t`rest`} by guess.`}
        </p>
      )}
    </div>
  );
}
