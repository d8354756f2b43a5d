import { type ReactNode, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BoatView, OwnTemplate, Product, StackView, Step, StripView } from '../../contract/index.ts';
import { toMinor } from '../../core/supply/index.ts';
import { type JudgedStack, type StackFigures, stackFigures } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useBoat, useStacks, useTemplates } from '../api/boatQueries.ts';
import { useProducts, useStrip } from '../api/queries.ts';
import { useTrade } from '../api/supplyQueries.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { StackSection } from '../parts/StackSection.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayMoney } from '../words/supply.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';
import { VERDICT_SIGNS, VERDICT_WORDS } from './ruleWords.ts';
import { sayVerdict } from './StackVerdict.tsx';
import { schoolWays } from './schooled.ts';
import { drawnSteps, type StackContext, stackContext } from './stackContext.ts';
import { judgeSteps } from './stackRules.ts';
import { offersFor } from './Templates.tsx';

/** Two systems for one area, side by side: film, coats, days, litres, cost, sanding, tolerance. */
export function ComparePage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const stacks = useStacks(boatId);
  const products = useProducts();
  const templates = useTemplates();
  return (
    <QueryBoundary query={boat}>
      {(view) => (
        <QueryBoundary query={stacks}>
          {(stackViews) => (
            <QueryBoundary query={products}>
              {(list) => (
                <QueryBoundary query={templates}>
                  {(own) => <Compare view={view} stacks={stackViews} products={list} own={own} />}
                </QueryBoundary>
              )}
            </QueryBoundary>
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

const THREE_DAYS_H = 72;

/** Mean surface temperature of the next three days as forecast, to a degree; null: nothing is known of them. */
function forecastC(strip: StripView | undefined): number | null {
  const hours = (strip?.hours ?? []).filter(({ at }) => at >= (strip?.now ?? '')).slice(0, THREE_DAYS_H);
  if (hours.length === 0) return null;
  return Math.round(hours.reduce((sum, { surfaceC }) => sum + surfaceC, 0) / hours.length);
}

interface Way {
  key: string;
  name: string;
  steps: Step[];
  /** Pros and cons of a choice of method. */
  summary?: string | undefined;
}

function Compare({
  view,
  stacks,
  products,
  own,
}: {
  view: BoatView;
  stacks: readonly StackView[];
  products: readonly Product[];
  own: readonly OwnTemplate[];
}) {
  const { areaId } = useParams();
  const area = view.areas.find((each) => each.id === areaId);
  const clock = view.clocks.find((each) => each.areaId === areaId);
  const stack = stacks.find((each) => each.areaId === areaId);
  const [asked, setAsked] = useState<number | null>(null);
  const strip = useStrip(areaId ?? null, 0);
  const tempC = asked ?? forecastC(strip.data) ?? 15;
  const [chosen, setChosen] = useState<[string, string] | null>(null);
  // The temperature it begins at is not put in while somebody types another.
  if (strip.isLoading) return <p className="p-6">{t`Reading the forecast…`}</p>;
  if (!area || !clock || !stack) return <p className="p-6">{t`This area no longer exists.`}</p>;
  const context = stackContext(area, clock, stack, products);
  const ways: Way[] = [
    ...(stack.steps.length > 0
      ? [{ key: 'own', name: t`${area.name}: current plan`, steps: stack.steps }]
      : []),
    ...offersFor(context, own)
      .filter((offer) => offer.steps.length > 0 && offer.missing.length === 0)
      .map(({ key, name, steps, school }) => ({ key, name, steps, summary: school })),
    ...schoolWays(stack.steps, context),
  ];
  const [first, second] = chosen ?? [ways[0]?.key ?? '', ways[1]?.key ?? ways[0]?.key ?? ''];
  const pair = [first, second].flatMap((key) => ways.find((way) => way.key === key) ?? []);
  return (
    <div className="space-y-5 p-3 md:p-6">
      <p>
        <Link className="link" to={`/boats/${view.boat.id}/systems/${area.id}`}>
          {t`${view.boat.name}: systems`}
        </Link>{' '}
        / {area.name}
      </p>
      <h1 className="text-2xl">{t`Compare two systems`}</h1>
      {ways.length < 2 ? (
        <p className="max-w-prose">{t`There’s nothing to compare yet. Add data sheets for more coating types to use more templates here.`}</p>
      ) : (
        <>
          <div className="grid max-w-4xl gap-3 sm:grid-cols-[1fr_1fr_10rem]">
            {([0, 1] as const).map((place) => (
              <Choice
                key={place}
                label={place === 0 ? t`First system` : t`Second system`}
                value={place === 0 ? first : second}
                choices={ways.map((way) => [way.key, way.name] as const)}
                onChange={(key) => setChosen(place === 0 ? [key, second] : [first, key])}
              />
            ))}
            <NumberField
              label={t`At a constant temperature of`}
              quantity="temperature"
              value={tempC}
              onChange={setAsked}
            />
          </div>
          <Figures pair={pair} context={context} tempC={tempC} />
          <div className="grid gap-4 lg:grid-cols-2">
            {pair.map((way, place) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the same way may stand on both sides
              <div key={`${way.key}${place}`} className="board p-3">
                <Section way={way} context={context} />
              </div>
            ))}
          </div>
        </>
      )}
    </div>
  );
}

function figuresOf(way: Way, context: StackContext, tempC: number): StackFigures | string {
  const steps = way.steps.flatMap((step) => {
    const product = context.products.find((each) => each.id === step.productId);
    return product ? [{ ...step, sheet: product.sheet }] : [];
  });
  try {
    return stackFigures({ steps, areaM2: context.areaM2, tempC, highWear: context.area.highWear });
  } catch (error) {
    return (error as Error).message;
  }
}

function Figures({ pair, context, tempC }: { pair: readonly Way[]; context: StackContext; tempC: number }) {
  const { show } = useUnits();
  const currency = useTrade().data?.settings.currency;
  const figures = pair.map((way) => figuresOf(way, context, tempC));
  const verdicts = pair.map((way) => judgeSteps(way.steps, context.products, context.area));
  const cells = (say: (figures: StackFigures) => string) =>
    figures.map((each) => (typeof each === 'string' ? '–' : say(each)));
  const rows: [string, ReactNode[]][] = [
    [
      'Compatibility',
      verdicts.map((judged, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
        <RulesSay key={place} judged={judged} />
      )),
    ],
    [t`Coats`, cells((f) => String(f.coats))],
    [t`Dry film`, cells((f) => show(f.dryMicrons, 'film'))],
    [t`Paint`, cells((f) => show(f.litres, 'volume'))],
    [
      t`Paint cost`,
      cells((f) =>
        f.cost === null ? t`price missing` : currency ? sayMoney(toMinor(f.cost, currency), currency) : '',
      ),
    ],
    [
      t`First to last coat`,
      cells((f) =>
        f.days === null ? t`won’t cure at this temperature, or no data` : counted(f.days, 'day'),
      ),
    ],
    [t`Sanding`, cells((f) => (f.sandingHours > 0 ? `${f.sandingHours.toFixed(1)} h` : 'none'))],
    [
      t`Minimum surface temperature`,
      cells((f) => (f.coldestC === null ? t`not on the data sheet` : show(f.coldestC, 'temperature'))),
    ],
    [
      t`Maximum humidity (RH)`,
      cells((f) => (f.rhMax === null ? t`not on the data sheet` : `${Math.round(f.rhMax * 100)} %`)),
    ],
    [
      t`Minimum margin above dew point`,
      cells((f) =>
        f.dewMarginC === null ? t`not on the data sheet` : show(f.dewMarginC, 'temperatureDifference'),
      ),
    ],
  ];
  return (
    <Scroller label={t`Comparison`}>
      <StackedTable className="table max-w-5xl table-fixed [&_td]:py-2 [&_th]:py-2">
        <caption className="pb-1 text-left text-sm">{t`For ${show(context.areaM2, 'area')}. Days: the shortest overcoat times added up at this temperature, with at most one coat a day. Sanding: by machine at 10 m² per hour (common practice). Cost: pack prices on the data sheets.`}</caption>
        <thead>
          <tr>
            <th scope="col" className="w-44" />
            {pair.map((way, place) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the same way may stand on both sides
              <th key={`${way.key}${place}`} scope="col" className="align-top">
                {way.name}
                {way.summary && <span className="block font-normal">{way.summary}.</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([word, both]) => (
            <tr key={word}>
              <th scope="row" className="font-normal">
                {word}
              </th>
              {both.map((cell, place) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <td key={place}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </StackedTable>
    </Scroller>
  );
}

/** The verdict on one way, and under it what each step is only fine for. */
function RulesSay({ judged }: { judged: JudgedStack | null }) {
  const { write } = useUnits();
  if (!judged) return '–';
  const points = judged.layers.flatMap(({ judgements }, i) =>
    judgements.map(({ ruleId, verdict, condition, reason }) => ({
      key: `${ruleId}${i}`,
      summary: `step ${i + 1}: ${condition ? `${VERDICT_WORDS[verdict]} ${condition}` : write(reason)}`,
    })),
  );
  return (
    <>
      {VERDICT_SIGNS[judged.verdict]} {sayVerdict(judged)}
      {points.length > 0 && (
        <ul className="list-disc pl-4 text-sm">
          {points.map(({ key, summary }) => (
            <li key={key}>{summary}</li>
          ))}
        </ul>
      )}
    </>
  );
}

function Section({ way, context }: { way: Way; context: StackContext }) {
  const judged = judgeSteps(way.steps, context.products, context.area);
  const steps = drawnSteps(way.steps, { ...context, asApplied: {}, bonds: {} }, judged);
  return <StackSection steps={steps} substrate={SUBSTRATE_WORDS[context.area.substrate]} />;
}
