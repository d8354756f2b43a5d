import type { Step } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { offPlan } from './additiveNames.ts';

/** Millilitres of each additive put in this batch, by its name; left out: none. */
export type AdditiveMl = Readonly<Record<string, number>>;

/** Millilitres of each planned additive in a pot of so many litres, to a tenth. */
export const plannedMl = (planned: Step['additives'], litres: number): AdditiveMl =>
  Object.fromEntries(
    planned.map(({ name, mlPerLitre }) => [name, Math.round(mlPerLitre * litres * 10) / 10]),
  );

interface Props {
  sheet: Pick<ProductSheet, 'additives'>;
  /** Paint in the batch, l. */
  litres: number;
  put: AdditiveMl;
  /** What the system plans, by name. */
  planned: readonly string[];
  onChange: (name: string, ml: number) => void;
}

const KIND_WORDS: Record<ProductSheet['additives'][number]['kind'], string> = {
  accelerator: t`Accelerator: cures faster, shortens the pot life`,
  retarder: t`Retarder: keeps a wet edge for longer`,
  roller: t`Roller additive: helps bubbles escape`,
  other: 'additive',
};

/** The additives that the data sheet allows, each by name and limit. */
export function Additives({ sheet, litres, put, planned, onChange }: Props) {
  const { show } = useUnits();
  const dropped = Object.entries(put).filter(
    ([name, ml]) => ml > 0 && !sheet.additives.some((each) => each.name === name),
  );
  const inPot = Object.keys(put).filter((name) => (put[name] ?? 0) > 0);
  const { extra } = offPlan(inPot, planned);
  const warning = dropped.length > 0 && (
    <p
      role="alert"
      className="text-error font-semibold"
    >{t`Left out: ${dropped.map(([name]) => name).join(', ')}. The system includes this additive, but the data sheet doesn’t list it. Correct the system.`}</p>
  );
  if (sheet.additives.length === 0) return warning || null;
  return (
    <>
      {warning}
      {extra.length > 0 && (
        <p role="alert" className="text-error font-semibold">
          {t`${extra.join(', ')} ${extra.length > 1 ? t`are` : t`is`} not planned for this coat`}
          {planned.length > 0 && t`; planned: ${planned.join(', ')}`}
          {t`. Check the label before you pour.`}
        </p>
      )}
      <details className="border-base-300 border-y py-2">
        <summary className="target cursor-pointer py-2">
          {t`Additives: ${
            sheet.additives
              .filter(({ name }) => (put[name] ?? 0) > 0)
              .map(({ name }) => `${name} ${put[name]} ml`)
              .join(', ') || 'none'
          }`}
        </summary>
        <div className="grid gap-3 pt-2 sm:grid-cols-2">
          {sheet.additives.map(({ name, kind, maxMlPerLitre }) => {
            const most = maxMlPerLitre === null ? null : maxMlPerLitre * litres;
            const ml = put[name] ?? 0;
            return (
              <div key={name}>
                <Stepper
                  label={name}
                  unit="ml"
                  value={ml}
                  step={1}
                  min={0}
                  max={100_000}
                  onChange={(value) => onChange(name, value)}
                />
                <p className="text-sm">
                  {KIND_WORDS[kind]}.{' '}
                  {most === null
                    ? t`The data sheet gives no amount. Ask the manufacturer.`
                    : t`Max ${Math.round(most * 10) / 10} ml for ${show(litres, 'volume')} (${maxMlPerLitre} ml per litre).`}
                </p>
                {kind === 'accelerator' && ml > 0 && (
                  <p className="text-warning font-semibold">{t`The pot-life timer can’t allow for the accelerator. Use up the pot well before it ends.`}</p>
                )}
                {most !== null && ml > most + 1e-9 && (
                  <p role="alert" className="text-error font-semibold">
                    {t`${ml} ml is over the data sheet’s limit.`}
                  </p>
                )}
              </div>
            );
          })}
        </div>
      </details>
    </>
  );
}
