import type { BoatQuoteInput, FieldError } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface QuoteValues {
  number: string;
  customer: string;
  validDays: string;
  terms: string;
  title: string;
  intro: string;
  closing: string;
  yardDays: string;
}

/** The text of the quote, and the days in the yard. */
export function QuoteForm({ quote }: { quote: BoatQuoteInput }) {
  const { system } = useUnits();
  const submit = async (
    values: QuoteValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const body: BoatQuoteInput = {
      boatId: quote.boatId,
      number: values.number.trim(),
      customer: values.customer.trim(),
      validDays:
        values.validDays.trim() === '' ? 0 : read.number('validDays', t`days valid`, values.validDays),
      terms: values.terms,
      title: values.title.trim(),
      intro: values.intro,
      closing: values.closing,
      yardDays:
        values.yardDays.trim() === '' ? 0 : read.number('yardDays', t`days in the yard`, values.yardDays),
      version: over.version ?? quote.version,
    };
    const errors = await refusals((c) => c.boatQuote, body, read);
    if (errors.length) return errors;
    await api('PUT', `/boats/${quote.boatId}/quote`, body);
    return undefined;
  };
  return (
    <RecordForm<QuoteValues>
      values={{
        number: quote.number,
        customer: quote.customer,
        validDays: String(quote.validDays || ''),
        terms: quote.terms,
        title: quote.title,
        intro: quote.intro,
        closing: quote.closing,
        yardDays: String(quote.yardDays || ''),
      }}
      base={quote}
      submit={submit}
      button={t`Save quote text`}
    >
      <div className="grid gap-3 sm:grid-cols-3">
        <div className="sm:col-span-2">
          <Field name="title" label={t`Title`} placeholder={t`Quote for …`} />
        </div>
        <Field name="number" label={t`Quote number`} />
        <TextArea name="customer" label={t`Customer (name and address)`} rows={3} />
        <Field
          name="validDays"
          label={t`Days valid`}
          inputMode="numeric"
          hint={t`Leave empty for a quote without an end date.`}
        />
        <Field name="yardDays" label={t`Days in yard`} inputMode="decimal" />
      </div>
      <TextArea name="intro" label={t`Introduction`} rows={3} />
      <TextArea name="terms" label={t`Terms`} rows={3} />
      <TextArea name="closing" label={t`Closing text`} rows={3} />
    </RecordForm>
  );
}
