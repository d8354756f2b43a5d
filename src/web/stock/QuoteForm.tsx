import type { BoatQuoteInput, FieldError } from '../../contract/index.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface QuoteValues {
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
      title: values.title.trim(),
      intro: values.intro,
      closing: values.closing,
      yardDays:
        values.yardDays.trim() === '' ? 0 : read.number('yardDays', 'days in the yard', values.yardDays),
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
        title: quote.title,
        intro: quote.intro,
        closing: quote.closing,
        yardDays: String(quote.yardDays || ''),
      }}
      base={quote}
      submit={submit}
      button="Save quote text"
    >
      <div className="grid gap-3 sm:grid-cols-[3fr_1fr]">
        <Field name="title" label="Title" placeholder="Quote for …" />
        <Field name="yardDays" label="Days in yard" inputMode="decimal" />
      </div>
      <TextArea name="intro" label="Introduction" rows={3} />
      <TextArea name="closing" label="Closing text" rows={3} />
    </RecordForm>
  );
}
