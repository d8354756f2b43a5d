import { type CalendarDate, parseDate } from '@internationalized/date';
import { useEffect, useRef } from 'react';
import { DateField, I18nProvider, Label } from 'react-aria-components';
import { useController } from 'react-hook-form';
import { useFieldMessages } from './Field.tsx';
import { DateParts, incomplete } from './TimeInput.tsx';

/** What a field holds, as a calendar day; null: nothing, or no day. */
function parsed(value: string): CalendarDate | null {
  try {
    return value === '' ? null : parseDate(value);
  } catch {
    return null;
  }
}

/** A labelled calendar day of a form (`YYYY-MM-DD`, empty: not given), typed or stepped part by part, with its refusal. */
export function DayField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const { field } = useController({ name });
  const { message, described, under } = useFieldMessages(name, hint);
  const box = useRef<HTMLDivElement>(null);
  const { ref } = field;
  useEffect(
    () => ref({ focus: () => box.current?.querySelector<HTMLElement>('[role=spinbutton]')?.focus() }),
    [ref],
  );
  const describedBy = described['aria-describedby'];
  return (
    <div className="min-w-0">
      <I18nProvider locale="en-GB">
        <DateField
          ref={box}
          name={name}
          className="min-w-0"
          granularity="day"
          shouldForceLeadingZeros
          value={parsed(field.value)}
          onChange={(next) => field.onChange(next ? next.toString() : '')}
          onBlur={() => {
            if (parsed(field.value) === null) field.onChange(incomplete(box.current));
            field.onBlur();
          }}
          isInvalid={message !== undefined}
          {...(describedBy && { 'aria-describedby': describedBy })}
        >
          <Label className="label-caps block pb-1">{label}</Label>
          <span className={`input flex w-full items-center ${message ? 'border-error border-2' : ''}`}>
            <DateParts />
          </span>
        </DateField>
      </I18nProvider>
      {under}
    </div>
  );
}
