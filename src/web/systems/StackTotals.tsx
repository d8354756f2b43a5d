import { useFormContext, useWatch } from 'react-hook-form';
import {
  coatsWanted,
  firstFilm,
  isConverted,
  type ProfileUnder,
  profileUnder,
  type StepNeed,
  stackNeed,
  stepAreaM2,
} from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { RestsOn } from '../parts/RestsOn.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { METHOD_WORDS } from '../words/systems.ts';
import type { StackContext } from './stackContext.ts';
import { type StackValues, valuesToStack } from './stackForm.ts';

const PROFILE_FROM: Record<ProfileUnder['from'], string> = {
  measured: t`measured with replica tape`,
  sheet: t`middle of the range on the data sheet`,
  typical: t`typical of mineral grit, common practice`,
};

/** What the stack takes: litres a coat and in all, wet film to aim for, and whether a coat is outside its sheet. */
export function StackTotals({ context }: { context: StackContext }) {
  const { control } = useFormContext<StackValues>();
  const { system, show } = useUnits();
  const values = useWatch({ control }) as StackValues;
  const read = new FormReader(system);
  const stack = valuesToStack(values, 1, read);
  if (stack.steps.length === 0) return null;
  if (context.areaM2 === 0) return <p>{t`Measure the area to see the litres needed.`}</p>;
  if (read.errors.length > 0)
    return <p className="opacity-80">{t`Fill in every field to see the litres needed.`}</p>;
  const steps = stack.steps.flatMap((step) => {
    const product = context.products.find((p) => p.id === step.productId);
    return product
      ? [
          {
            ...step,
            coats: coatsWanted(step, context.area.highWear),
            sheet: product.sheet,
            name: product.name,
          },
        ]
      : [];
  });
  const profile = profileUnder({
    substrate: context.area.substrate,
    oldCoating: context.area.oldCoating,
    measuredMicrons: context.profile?.from === 'measured' ? context.profile.microns : null,
    first: steps[firstFilm(steps)]?.sheet,
    converted: isConverted(steps),
    service: context.area.service,
    blasted: context.profile !== null,
  });
  let need: ReturnType<typeof stackNeed>;
  try {
    need = stackNeed({
      areaM2: context.areaM2,
      spread: context.spread,
      steps,
      profileMicrons: profile?.microns ?? null,
    });
  } catch (error) {
    return <p className="text-error font-semibold">{(error as Error).message}</p>;
  }
  return (
    <Scroller label={t`Paint needed`}>
      <StackedTable className="table">
        <caption className="sr-only">{t`Paint needed for ${show(context.areaM2, 'area')}`}</caption>
        <thead>
          <tr>
            <th scope="col">{t`Product`}</th>
            <th scope="col">{t`Total dry film`}</th>
            <th scope="col">{t`Target wet film`}</th>
            <th scope="col">{t`Per coat`}</th>
            <th scope="col">{t`Total, upper estimate`}</th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step, i) => {
            const row = need.steps[i] as StepNeed;
            return (
              <tr key={step.id}>
                <th scope="row">
                  {step.name}
                  <RestsOn productId={step.productId} sheet={step.sheet} figures={['litres']} />
                </th>
                <td>
                  {show(row.dryMicrons, 'film')}
                  {row.film.verdict === 'too-thick' && (
                    <p className="text-error font-semibold">
                      {t`${show(step.dryMicronsPerCoat, 'film')} per coat is above the data sheet’s maximum of ${show(row.film.limitMicrons, 'film')}. It will sag and trap solvent. Apply more, thinner coats.`}
                    </p>
                  )}
                  {row.film.verdict === 'too-thin' && (
                    <p className="text-warning font-semibold">
                      {t`${show(step.dryMicronsPerCoat, 'film')} per coat is below the data sheet’s minimum of ${show(row.film.limitMicrons, 'film')}.`}
                    </p>
                  )}
                </td>
                <td>{show(row.wetMicronsPerCoat, 'film')}</td>
                <td>
                  <Why figure={show(row.litresPerCoat, 'volume')}>
                    <p>{t`A × DFT / (1000 × VS × (1 − loss)) = ${show(stepAreaM2(step, context.areaM2), 'area')} × ${show(step.dryMicronsPerCoat, 'film')} / (1000 × ${step.sheet.volumeSolids} × ${(1 - row.loss).toFixed(3)})`}</p>
                    <p>{t`Volume solids from the data sheet. Loss ${Math.round(row.loss * 1000) / 10} % for ${METHOD_WORDS[step.method].toLowerCase()} (common practice, no source).`}</p>
                    {i === 0 && profile && (
                      <p>{t`The first coat also fills the blast profile: ⅔ × ${show(profile.microns, 'film')} (${PROFILE_FROM[profile.from]}), ${show(row.litresOfCoat[0] ?? 0, 'volume')} in all (from memory).`}</p>
                    )}
                    {step.before.some(({ kind }) => kind === 'aggregate') && (
                      <p>{t`Over aggregate, the first coat takes two to three times as much as a smooth coat. The second takes half of that (common practice, no source).`}</p>
                    )}
                  </Why>
                  {row.litresOfCoat.some((litres) => litres > row.litresPerCoat * 1.001) && (
                    <span className="block text-sm">
                      {row.litresOfCoat
                        .slice(0, 2)
                        .map((litres, coat) => t`coat ${coat + 1}: ${show(litres, 'volume')}`)
                        .join(', ')}
                    </span>
                  )}
                </td>
                <td>
                  {show(row.litresHigh, 'volume')}
                  {step.sheet.canLitres
                    ? ` (${counted(Math.ceil(row.litresHigh / step.sheet.canLitres), 'can')})`
                    : ''}
                  {row.thinnerLitres > 0 && <>{t` + ${show(row.thinnerLitresHigh, 'volume')} thinner`}</>}
                </td>
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">{t`Whole system`}</th>
            <td>{show(need.dryMicrons, 'film')}</td>
            <td />
            <td />
            <td>
              {show(
                need.steps.reduce((sum, s) => sum + s.litresHigh, 0),
                'volume',
              )}
            </td>
          </tr>
        </tfoot>
      </StackedTable>
    </Scroller>
  );
}
