import { useState } from 'react';
import {
  correctPour,
  DEFAULT_RATIO_TOLERANCE,
  type MeasuringTool,
  type MixPart,
  pouredPot,
  type RatioBasis,
  type Split,
  shares,
  toolStep,
} from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { toolAmounts } from './toolAmounts.ts';

interface Props {
  split: Split;
  parts: readonly MixPart[];
  by: RatioBasis;
  tolerance: number | null;
  tool: MeasuringTool;
  /** Most that can be applied within the pot life, in the tool’s measure; null: not known. */
  most: number | null;
  /** Amount of each part in the pot; null: poured as planned. */
  amounts: readonly number[] | null;
  onChange: (amounts: readonly number[] | null) => void;
  onDiscard: () => void;
}

/** Beyond this, g or ml, no pot is poured. */
const LARGEST_POT = 1e6;

/** Whether a pot as poured may be used: within the tolerance of every part’s share, and of each part against the first. */
export function isInRatio({
  parts,
  by,
  tolerance,
  split,
  amounts,
}: Pick<Props, 'parts' | 'by' | 'tolerance' | 'split'> & { amounts: readonly number[] }): boolean {
  if (amounts.some((amount) => amount <= 0)) return false;
  const { ratioError } = pouredPot({ parts, by, measure: split.measure, amounts });
  return Math.abs(ratioError) <= (tolerance ?? DEFAULT_RATIO_TOLERANCE) + 1e-9;
}

/** The actual amounts, and how to correct the ratio, or why to discard the pot. */
export function AsPoured({ amounts, onChange, ...props }: Props) {
  const { split, parts, tool } = props;
  const { system } = useUnits();
  const of = toolAmounts(tool, system);
  if (parts.length < 2) return null;
  if (amounts === null)
    return (
      <button
        type="button"
        className="btn target"
        onClick={() => onChange(split.pours.map(({ amount }) => amount))}
      >{t`Poured something else?`}</button>
    );
  return (
    <fieldset className="border-line space-y-3 border-l-4 pl-3">
      <legend className="font-semibold">{t`Amounts in the pot`}</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        {parts.map(({ name }, i) => (
          <Stepper
            key={name}
            label={t`${name} in the pot`}
            unit={of.unit}
            value={of.shown(amounts[i] ?? 0)}
            step={of.step}
            min={0}
            max={of.shown(LARGEST_POT)}
            onChange={(value) => onChange(amounts.map((each, at) => (at === i ? of.amountOf(value) : each)))}
          />
        ))}
      </div>
      <Advice {...props} amounts={amounts} onChange={onChange} />
      <button
        type="button"
        className="btn btn-ghost target"
        onClick={() => onChange(null)}
      >{t`Poured as planned after all`}</button>
    </fieldset>
  );
}

/** What to do with the pot as it stands. */
function Advice({
  split,
  parts,
  by,
  tolerance,
  tool,
  most,
  amounts,
  onChange,
  onDiscard,
}: Props & { amounts: readonly number[] }) {
  const { system } = useUnits();
  const of = toolAmounts(tool, system);
  const [asking, setAsking] = useState(false);
  const ratios = shares({ parts, by, as: split.measure });
  const named = parts.map(({ name }, i) => ({ name, ratio: ratios[i] as number }));
  const allowed = tolerance ?? DEFAULT_RATIO_TOLERANCE;
  const advice = correctPour({
    ...{ parts: named, poured: amounts, tolerance: allowed },
    ...(most !== null && { wanted: { maxTotal: Math.min(LARGEST_POT, Math.max(most, split.total)) } }),
  });
  // Added in whole steps of the tool: less could not be measured.
  const step = toolStep(tool);
  const add = advice.add.map((each) => Math.round(each / step) * step);
  const after = amounts.map((each, i) => each + (add[i] as number));
  const good = isInRatio({ split, parts, by, tolerance, amounts });
  const list = parts.flatMap(({ name }, i) =>
    (add[i] as number) > 0 ? [`${of.say(add[i] as number)} of ${name}`] : [],
  );
  const ratio = parts.map((part) => part.ratio).join(' : ');
  const sum = after.reduce((all, each) => all + each, 0);
  const worst = sayWorst(named, amounts, advice.total);
  const discard = (
    <button
      type="button"
      className="btn target"
      onClick={() => {
        // Asked again after each press: two in a row discard one pot.
        setAsking(!asking);
        if (asking) onDiscard();
      }}
      onBlur={() => setAsking(false)}
    >
      {asking ? t`Log ${of.say(advice.total)} as discarded` : t`Discard this pot`}
    </button>
  );
  if (advice.state === 'pouring')
    return (
      <p role="status">
        {list.length > 0 ? t`Still to pour for ${ratio}: ${list.join(', ')}.` : t`Nothing is in the pot yet.`}
      </p>
    );
  if (good)
    return (
      <p
        role="status"
        className="font-semibold"
      >{t`In ratio: ${worst}, within ±${Math.round(allowed * 100)} %. You can use this pot.`}</p>
    );
  if (advice.state === 'discard')
    return (
      <div className="space-y-2">
        <p
          role="alert"
          className="text-error font-semibold"
        >{t`Discard this pot: ${worst}, and corrected it would hold ${of.say(advice.total + advice.add.reduce((all, each) => all + each, 0))}, more than can be applied in its pot life (${of.say(Math.max(most ?? 0, split.total))}).`}</p>
        {discard}
      </div>
    );
  return (
    <div className="space-y-2">
      <p
        role="alert"
        className="text-error font-semibold"
      >{t`Off ratio: ${worst}. It would not cure as it should. Don’t use it yet.`}</p>
      {list.length > 0 ? (
        <p className="text-xl">
          {t`Add `}
          <strong>{list.join(' and ')}</strong>
          {t`. Then it is ${isInRatio({ split, parts, by, tolerance, amounts: after }) ? `${ratio}` : t`nearer, but still off`} and the pot holds ${of.say(sum)}.`}
        </p>
      ) : (
        <p>{t`This tool is too coarse to put it right. Choose a finer one.`}</p>
      )}
      <div className="flex flex-wrap gap-2">
        {list.length > 0 && (
          <button
            type="button"
            className="btn btn-primary target"
            onClick={() => onChange(after)}
          >{t`Added`}</button>
        )}
        {discard}
      </div>
    </div>
  );
}

/** The part whose share of the pot is furthest from the ratio: "hardener 50 % of the pot instead of 20 %". */
function sayWorst(
  parts: readonly { name: string; ratio: number }[],
  amounts: readonly number[],
  total: number,
): string {
  const whole = parts.reduce((sum, { ratio }) => sum + ratio, 0);
  const [worst] = parts
    .map(({ name, ratio }, i) => ({ name, is: (amounts[i] ?? 0) / (total || 1), wanted: ratio / whole }))
    .sort((a, b) => Math.abs(b.is / b.wanted - 1) - Math.abs(a.is / a.wanted - 1));
  const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
  return worst ? t`${worst.name} ${percent(worst.is)} of the pot instead of ${percent(worst.wanted)}` : '';
}
