import type { FieldError, TradeSettings } from '../../contract/index.ts';
import { METHODS } from '../../core/film/index.ts';
import {
  CURRENCIES,
  type CurrencyCode,
  fromMinor,
  SUNDRIES,
  type SundryItem,
} from '../../core/supply/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, SelectField, TextArea } from '../forms/Field.tsx';
import { minorOf } from '../forms/money.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { METHOD_WORDS } from '../words/systems.ts';
import { WorkRateFields } from './WorkRateFields.tsx';

interface TradeValues {
  currency: string;
  tax: string;
  step: string;
  labour: string;
  yardDay: string;
  markup: string;
  thinner: string;
  address: string;
  useLearned: boolean;
  work: Record<string, string>;
  rates: Record<string, string>;
  prices: Record<string, string>;
}

const ITEMS = Object.keys(SUNDRIES) as SundryItem[];

/** Currency, tax, rounding, what an hour and a day cost, and the yard's own rules for sundries. */
export function TradeForm({ settings }: { settings: TradeSettings }) {
  const { system } = useUnits();
  const money = (minor: number | null | undefined) =>
    minor ? String(fromMinor(minor, settings.currency)) : '';
  const submit = async (
    values: TradeValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const currency = values.currency as CurrencyCode;
    const minor = (path: string, label: string, text: string) => minorOf(read, path, label, text, currency);
    const filled = (of: Record<string, string>) => ITEMS.filter((item) => (of[item] ?? '').trim() !== '');
    const body: TradeSettings = {
      currency,
      taxRate: values.tax.trim() === '' ? 0 : read.percent('tax', t`tax rate`, values.tax),
      roundingStep: values.step.trim() === '' ? 1 : Math.max(1, minor('step', 'rounding', values.step)),
      labourPerHour: minor('labour', t`Labour rate`, values.labour),
      yardDay: minor('yardDay', t`Yard charge`, values.yardDay),
      markup: values.markup.trim() === '' ? 0 : read.percent('markup', 'markup', values.markup),
      useLearned: values.useLearned,
      workRates: Object.fromEntries(
        METHODS.filter((method) => (values.work[method] ?? '').trim() !== '').map((method) => [
          method,
          read.quantity(`work.${method}`, METHOD_WORDS[method], values.work[method] ?? '', 'area'),
        ]),
      ),
      sundryRates: Object.fromEntries(
        filled(values.rates).map((item) => [
          item,
          read.number(`rates.${item}`, SUNDRIES[item].name, values.rates[item] ?? ''),
        ]),
      ),
      sundryPrices: Object.fromEntries(
        filled(values.prices).map((item) => [
          item,
          minor(`prices.${item}`, SUNDRIES[item].name, values.prices[item] ?? ''),
        ]),
      ),
      thinnerPerLitre: values.thinner.trim() === '' ? null : minor('thinner', 'thinner', values.thinner),
      address: values.address.trim(),
      version: over.version ?? settings.version,
    };
    const errors = await refusals(
      (c) => c.tradeSettings,
      body,
      read,
      (path) =>
      path.replace(/^taxRate$/, 'tax').replace(/^labourPerHour$/, 'labour').replace(/^sundryRates/, 'rates').replace(/^sundryPrices/, 'prices').replace(/^workRates/, 'work'), // biome-ignore format: one line
    );
    if (errors.length) return errors;
    await api('PUT', '/trade/settings', body);
    return undefined;
  };
  return (
    <RecordForm<TradeValues>
      values={{
        currency: settings.currency,
        tax: settings.taxRate ? fieldText(settings.taxRate * 100) : '',
        step: settings.roundingStep > 1 ? money(settings.roundingStep) : '',
        labour: money(settings.labourPerHour),
        yardDay: money(settings.yardDay),
        markup: settings.markup ? fieldText(settings.markup * 100) : '',
        thinner: money(settings.thinnerPerLitre),
        address: settings.address,
        useLearned: settings.useLearned,
        work: Object.fromEntries(
          METHODS.map((method) => {
            const own = settings.workRates[method];
            return [
              method,
              own === undefined
                ? ''
                : fieldText(Number(fromCanonical(own, shownUnit('area', system)).toFixed(2))),
            ];
          }),
        ),
        rates: Object.fromEntries(
          ITEMS.map((item) => [
            item,
            settings.sundryRates[item] === undefined ? '' : fieldText(settings.sundryRates[item]),
          ]),
        ),
        prices: Object.fromEntries(ITEMS.map((item) => [item, money(settings.sundryPrices[item])])),
      }}
      base={settings}
      submit={submit}
      button={t`Save prices and rates`}
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <SelectField
          name="currency"
          label={t`Currency`}
          choices={CURRENCIES.map((code) => [code, code] as const)}
        />
        <Field name="tax" label={t`Tax rate`} unit="%" inputMode="decimal" />
        <Field
          name="step"
          label={t`Rounded to`}
          unit={settings.currency}
          inputMode="decimal"
          hint={t`Leave empty for no rounding`}
        />
        <Field name="labour" label={t`Labour rate per hour`} unit={settings.currency} inputMode="decimal" />
        <Field name="yardDay" label={t`Yard charge per day`} unit={settings.currency} inputMode="decimal" />
        <Field name="markup" label={t`Markup on materials`} unit="%" inputMode="decimal" />
        <TextArea name="address" label={t`Yard name and address (for quotes)`} rows={3} />
        <Field
          name="thinner"
          label={t`Thinner price per litre`}
          unit={settings.currency}
          inputMode="decimal"
        />
      </div>
      <CheckField
        name="useLearned"
        label={t`Use learned rates for needs`}
        hint={t`Based on what coats here really used. With few coats on record, the data sheet still counts. The Needs page shows how much.`}
      />
      <WorkRateFields />
      <details>
        <summary className="text-info target cursor-pointer py-2 underline underline-offset-2">{t`Sundries: custom rates and prices`}</summary>
        <div className="space-y-3">
          {ITEMS.map((item) => (
            <fieldset key={item} className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[2fr_1fr_1fr]">
              <legend className="sr-only">{SUNDRIES[item].name}</legend>
              <p className="col-span-2 sm:col-span-1">
                {SUNDRIES[item].name} <span className="text-sm opacity-80">({SUNDRIES[item].rule})</span>
              </p>
              <Field
                name={`rates.${item}`}
                label={t`Custom rate`}
                inputMode="decimal"
                placeholder={fieldText(SUNDRIES[item].rate)}
              />
              <Field name={`prices.${item}`} label={t`Price`} unit={settings.currency} inputMode="decimal" />
            </fieldset>
          ))}
        </div>
      </details>
    </RecordForm>
  );
}
