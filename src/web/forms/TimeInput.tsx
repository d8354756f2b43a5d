import { type CalendarDateTime, parseDateTime } from '@internationalized/date';
import { useEffect, useRef } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { t } from '../../words.ts';
import { useYard } from '../api/queries.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import { dayText, longDayText, wallOf } from '../clock/wallClock.ts';

/** Minutes of the two step buttons. */
const STEP_MIN = 5;

interface Props {
  label: string;
  /** "2026-05-14T06:12" in the yard’s zone; empty: not given; anything else: typed in part. */
  value: string;
  onChange: (value: string) => void;
  onBlur?: () => void;
  large?: boolean | undefined;
  invalid?: boolean | undefined;
  describedBy?: string | undefined;
  /** Whether "now" and the steps of five minutes are offered: at work, not in planning. */
  stepped?: boolean | undefined;
  /** The first part, for a form that leads to what it refuses. */
  focusRef?: ((field: { focus: () => void }) => void) | undefined;
}

/** What a field holds, as the date-time field has it; null: nothing, or no date and time. */
function parsed(value: string): CalendarDateTime | null {
  try {
    return value === '' ? null : parseDateTime(value);
  } catch {
    return null;
  }
}

const textOf = (value: CalendarDateTime): string => value.toString().slice(0, 16);

/** The parts of a date field: day, month, year and, where it has a time, hour and minute. */
export const DateParts = () => (
  <DateInput className="flex grow whitespace-nowrap">
    {(segment) => (
      <DateSegment
        segment={segment}
        className="data-[focused]:bg-primary data-[focused]:text-primary-content rounded-sm px-0.5 tabular-nums outline-none"
      />
    )}
  </DateInput>
);

/** A date typed in part as it stands there, for the form to refuse; empty: nothing is typed. */
export function incomplete(box: HTMLElement | null): string {
  const parts = [...(box?.querySelectorAll('[role=spinbutton]') ?? [])];
  const isBlank = parts.every((part) => part.hasAttribute('data-placeholder'));
  return isBlank ? '' : parts.map(({ textContent }) => textContent).join('/');
}

/** A date and time of the yard’s zone on a 24-hour clock, typed or stepped part by part, with its day of the week. */
export function TimeInput({
  label,
  value,
  onChange,
  onBlur,
  large,
  invalid,
  describedBy,
  stepped,
  focusRef,
}: Props) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(
    () => focusRef?.({ focus: () => box.current?.querySelector<HTMLElement>('[role=spinbutton]')?.focus() }),
    [focusRef],
  );
  const known = useYard().data?.zone;
  const zone = known ?? 'UTC';
  const at = parsed(value);
  // Without the yard’s zone neither the day of the week nor “now” is known.
  const moment = known ? fromLocalField(value, zone) : null;
  const step = (minutes: number) =>
    moment && onChange(toLocalField(Date.parse(moment) + minutes * 60_000, zone));
  return (
    <I18nProvider locale="en-GB">
      <DateField
        ref={box}
        className="min-w-0"
        granularity="minute"
        hourCycle={24}
        shouldForceLeadingZeros
        value={at}
        onChange={(next) => onChange(next ? textOf(next as CalendarDateTime) : '')}
        onBlur={() => {
          // Typed in part, it is for the form to refuse, and not left out.
          if (parsed(value) === null) onChange(incomplete(box.current));
          onBlur?.();
        }}
        isInvalid={invalid ?? false}
        {...(describedBy && { 'aria-describedby': describedBy })}
      >
        <span className="label-caps flex justify-between gap-2 pb-1">
          <Label>{label}</Label>
          {moment && <span aria-hidden="true">{dayText(wallOf(Date.parse(moment), zone))}</span>}
        </span>
        <span
          className={`input flex w-full items-center ${large ? 'input-xl target' : ''} ${invalid ? 'border-error border-2' : ''}`}
        >
          <DateParts />
        </span>
      </DateField>
      {moment && <span className="sr-only">{longDayText(wallOf(Date.parse(moment), zone))}</span>}
      {stepped && known && (
        <span className="flex gap-2 pt-1">
          <button
            type="button"
            className="btn btn-sm target"
            onClick={() => onChange(toLocalField(Date.now(), zone))}
          >
            {t`Now`}
            <span className="sr-only">: {label}</span>
          </button>
          {[-STEP_MIN, STEP_MIN].map((minutes) => (
            <button
              key={minutes}
              type="button"
              className="btn btn-sm target"
              disabled={!moment}
              onClick={() => step(minutes)}
            >
              {t`${minutes < 0 ? '−' : '+'}${STEP_MIN} min`}
              <span className="sr-only">: {label}</span>
            </button>
          ))}
        </span>
      )}
    </I18nProvider>
  );
}
