import { DateTime } from 'luxon';
import { Suspense, useState } from 'react';
import { writeCsv } from '../../contract/formats/safeCsv.ts';
import type { Shift, WeatherHour, WeatherImported } from '../../contract/index.ts';
import { type AirHour, typedForecast } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';

const WeatherChart = lazyPart(async () => (await import('./WeatherChart.tsx')).WeatherChart);

interface Props {
  zone: string;
  now: number;
  onShifts: (shifts: Shift[]) => void;
}

type Begins = 'now' | 'tomorrow';

const viewOf = (hour: AirHour): WeatherHour => ({
  at: new Date(hour.at).toISOString(),
  airC: hour.airC,
  rh: hour.rh,
  windMs: null,
  rainMm: hour.rainMm ?? null,
  surfaceC: null,
  cloudTenths: null,
  source: 'forecast',
  simulated: false,
});

const csvOf = (hours: readonly AirHour[]) =>
  writeCsv([
    ['time', 'air °C', 'RH %', t`rain mm`],
    ...hours.map((hour) => [
      new Date(hour.at).toISOString(),
      hour.airC,
      Number((hour.rh * 100).toFixed(1)),
      hour.rainMm ?? 0,
    ]),
  ]);

/** A forecast heard rather than read: from when, between which temperatures, how damp; drawn before it is taken. */
export function TypedForecast({ zone, now, onShifts }: Props) {
  const [begins, setBegins] = useState<Begins>('now');
  const [days, setDays] = useState(7);
  const [lowC, setLowC] = useState(5);
  const [highC, setHighC] = useState(14);
  const [rh, setRh] = useState(75);
  const [rainMm, setRainMm] = useState(0);
  const { mutate: write, isPending, error, isSuccess, reset } = useWrite<WeatherImported>({ atForm: true });
  const start = DateTime.fromMillis(now, { zone });
  const from =
    begins === 'now' ? start : start.plus({ days: 1 }).set({ hour: 8, minute: 0, second: 0, millisecond: 0 });
  let hours: AirHour[] = [];
  let problem: string | null = null;
  try {
    hours = typedForecast({
      fromMs: from.toMillis(),
      days,
      lowC,
      highC,
      rh: rh / 100,
      rainMm,
      utcOffsetH: from.offset / 60,
    });
  } catch (refused) {
    problem = (refused as Error).message;
  }
  const changed =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      reset();
      set(value);
    };
  const take = () =>
    write(
      {
        method: 'POST',
        path: '/weather',
        body: { csv: csvOf(hours), mode: 'import', source: 'typed', rainInterval: 'after' },
      },
      { onSuccess: (answer) => onShifts(answer.shifts) },
    );
  return (
    <section aria-labelledby="typed" className="space-y-3">
      <h2 id="typed" className="batten pb-1 text-lg">{t`Enter a forecast by hand`}</h2>
      <p>{t`For a forecast you have heard. Lowest temperatures fall at night, highest by day; the moisture in the air stays constant.`}</p>
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label={t`From`}
          value={begins}
          choices={[
            ['now', t`Now`],
            ['tomorrow', t`Tomorrow 08:00`],
          ]}
          onChange={changed(setBegins)}
        />
        <NumberField label={t`Duration`} unit={t`days`} value={days} onChange={changed(setDays)} />
        <NumberField
          label={t`Lowest temperature (night)`}
          quantity="temperature"
          value={lowC}
          onChange={changed(setLowC)}
        />
        <NumberField
          label={t`Highest temperature (day)`}
          quantity="temperature"
          value={highC}
          onChange={changed(setHighC)}
        />
        <NumberField label={t`RH at the mean temperature`} unit="%" value={rh} onChange={changed(setRh)} />
        <NumberField
          label={t`Rain per hour (0 for dry)`}
          quantity="rain"
          value={rainMm}
          onChange={changed(setRainMm)}
        />
      </div>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      {hours.length > 1 && (
        <Suspense fallback={<p className="h-60 p-4">{t`Drawing…`}</p>}>
          <WeatherChart hours={hours.map(viewOf)} now={now} zone={zone} />
        </Suspense>
      )}
      <button
        type="button"
        className="btn btn-primary"
        disabled={isPending || problem !== null}
        onClick={take}
      >
        {isPending ? t`Saving…` : t`Save forecast`}
      </button>
      {error && (
        <p role="alert" className="text-error font-semibold">
          {error.message}
        </p>
      )}
      {isSuccess && <p role="status">{t`Saved. Cure times use this forecast from now on.`}</p>}
    </section>
  );
}
