import type { Waterline } from '../../contract/index.ts';
import type { StripeShape, StruckLine } from '../../core/waterline/index.ts';
import { STRIPE_GAP_MM } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit, sayHeight } from './heights.ts';

const USUAL: StripeShape = { gapMm: STRIPE_GAP_MM, heightMm: 60, bowSweepMm: 0, sternSweepMm: 0 };

interface Props {
  plan: Waterline;
  struck: StruckLine | null;
  onChange: (some: Partial<Waterline>) => void;
}

/** The boot stripe above the line: gap, height, swept ends; its widths on the skin, tape and area. */
export function StripeFields({ plan, struck, onChange }: Props) {
  const { system, show } = useUnits();
  const unit = heightUnit(system);
  const { stripe } = plan;
  const field = (key: keyof StripeShape, label: string) =>
    stripe && (
      <NumberField
        label={label}
        unit={unit.symbol}
        value={stripe[key] / unit.mm}
        onChange={(value) => onChange({ stripe: { ...stripe, [key]: value * unit.mm } })}
      />
    );
  const widths = struck?.stripe?.rows.map((row) => row.widthSkinMm) ?? [];
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-1">{t`Boot stripe`}</legend>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={stripe !== null}
          onChange={(event) => onChange({ stripe: event.target.checked ? USUAL : null })}
        />
        {t`Paint a boot stripe above the antifouling`}
      </label>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {field('gapMm', t`Gap below the stripe`)}
        {field('heightMm', t`Stripe height (vertical)`)}
        {field('bowSweepMm', t`Extra height at the bow`)}
        {field('sternSweepMm', t`Extra height at the stern`)}
      </div>
      {struck?.stripe && widths.length > 0 && (
        <p>
          {t`The stripe is ${sayHeight(Math.min(...widths), unit)} to ${sayHeight(Math.max(...widths), unit)} ${unit.symbol} wide along the skin (varies with flare). Tape per side: ${show(struck.stripe.lowerTapeM, 'length')} for the lower edge, ${show(struck.stripe.upperTapeM, 'length')} for the upper. Area of both sides `}
          <strong>{show(struck.stripe.areaM2, 'area')}</strong>
          {t`. Saving adds it to the areas.`}
        </p>
      )}
    </fieldset>
  );
}
