import { useId, useState } from 'react';
import type { HullCuts } from '../../core/hull/index.ts';
import { fieldText, fromCanonical, parseQuantity, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  cuts: HullCuts;
  lengthM: number;
  onChange: (cuts: HullCuts) => void;
}

/** Where the surface is cut into areas: level planes, the transom, the keel's box, the sheer. */
export function CutFields({ cuts, lengthM, onChange }: Props) {
  const set = (some: Partial<HullCuts>) => onChange({ ...cuts, ...some });
  const { stripe, keel, sheer } = cuts;
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-1">{t`Dividing lines`}</legend>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={t`Top of the antifouling`}
          quantity="length"
          value={cuts.topOfPaintM}
          onChange={(topOfPaintM) => set({ topOfPaintM })}
        />
      </div>
      <Stations stationsM={cuts.stationsM} onChange={(stationsM) => set({ stationsM })} />
      <Option
        label={t`Boot stripe`}
        on={stripe !== null}
        onChange={(on) =>
          set({ stripe: on ? { lowerM: cuts.topOfPaintM + 0.02, upperM: cuts.topOfPaintM + 0.08 } : null })
        }
      >
        {stripe && (
          <>
            <NumberField
              label={t`Lower edge of the stripe`}
              quantity="length"
              value={stripe.lowerM}
              onChange={(lowerM) => set({ stripe: { ...stripe, lowerM } })}
            />
            <NumberField
              label={t`Upper edge of the stripe`}
              quantity="length"
              value={stripe.upperM}
              onChange={(upperM) => set({ stripe: { ...stripe, upperM } })}
            />
          </>
        )}
      </Option>
      <Option
        label={t`Separate transom`}
        on={cuts.transomXM !== null}
        onChange={(on) => set({ transomXM: on ? Number((lengthM * 0.02).toFixed(2)) : null })}
      >
        {cuts.transomXM !== null && (
          <NumberField
            label={t`Forward edge of the transom, from aft`}
            quantity="length"
            value={cuts.transomXM}
            onChange={(transomXM) => set({ transomXM })}
          />
        )}
      </Option>
      <Option
        label={t`Separate keel`}
        on={keel !== null}
        onChange={(on) =>
          set({
            keel: on
              ? {
                  aftM: Number((lengthM * 0.35).toFixed(2)),
                  foreM: Number((lengthM * 0.6).toFixed(2)),
                  topM: -0.6,
                }
              : null,
          })
        }
      >
        {keel && (
          <>
            <NumberField
              label={t`From`}
              quantity="length"
              value={keel.aftM}
              onChange={(aftM) => set({ keel: { ...keel, aftM } })}
            />
            <NumberField
              label={t`To`}
              quantity="length"
              value={keel.foreM}
              onChange={(foreM) => set({ keel: { ...keel, foreM } })}
            />
            <NumberField
              label={t`Top of the keel (height above the waterline)`}
              quantity="length"
              value={keel.topM}
              onChange={(topM) => set({ keel: { ...keel, topM } })}
            />
          </>
        )}
      </Option>
      <Option
        label={t`Separate deck at the sheer`}
        on={sheer !== null}
        onChange={(on) => set({ sheer: on ? { aftM: 1, foreM: 1.4, lengthM } : null })}
      >
        {sheer && (
          <>
            <NumberField
              label={t`Sheer height aft`}
              quantity="length"
              value={sheer.aftM}
              onChange={(aftM) => set({ sheer: { ...sheer, aftM } })}
            />
            <NumberField
              label={t`Sheer height forward`}
              quantity="length"
              value={sheer.foreM}
              onChange={(foreM) => set({ sheer: { ...sheer, foreM } })}
            />
          </>
        )}
      </Option>
    </fieldset>
  );
}

/** Places at which bottom and topsides are divided, typed with spaces between. */
function Stations({
  stationsM,
  onChange,
}: {
  stationsM: readonly number[];
  onChange: (stationsM: number[]) => void;
}) {
  const { system, symbol } = useUnits();
  const unit = shownUnit('length', system);
  const shown = stationsM.map((m) => fieldText(fromCanonical(m, unit))).join('  ');
  const [text, setText] = useState(shown);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const take = () => {
    try {
      const places = text
        .split(/[\s;]+/)
        .filter(Boolean)
        .map((each) => parseQuantity(each, 'length', system));
      if (places.length > 4) throw new RangeError(`Enter at most 4 stations`);
      setProblem(null);
      if (places.join() !== stationsM.join()) onChange([...new Set(places)]);
    } catch (error) {
      setProblem(`Stations: ${(error as Error).message}`);
    }
  };
  return (
    <div>
      <label
        htmlFor={id}
        className="label-caps block pb-1"
      >{t`Divide bottom and topsides at (${symbol('length')} from aft)`}</label>
      <input
        id={id}
        className="input w-full"
        inputMode="decimal"
        placeholder={t`no division`}
        value={text}
        aria-invalid={problem ? true : undefined}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
        }}
      />
      {problem && <p className="text-error pt-1 text-sm font-semibold">{problem}</p>}
    </div>
  );
}

function Option({
  label,
  on,
  onChange,
  children,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  children: React.ReactNode;
}) {
  const id = useId();
  return (
    <div className="space-y-2">
      <div className="flex items-center gap-2">
        <input
          id={id}
          type="checkbox"
          className="checkbox"
          checked={on}
          onChange={(event) => onChange(event.target.checked)}
        />
        <label htmlFor={id}>{label}</label>
      </div>
      {on && <div className="grid grid-cols-2 gap-3">{children}</div>}
    </div>
  );
}
