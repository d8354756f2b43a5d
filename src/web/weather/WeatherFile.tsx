import { Suspense, useId, useState } from 'react';
import type { ColumnMapping, Shift, WeatherImported } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { sayTime } from '../clock/say.ts';
import { Choice } from '../forms/NumberField.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';
import { counted } from '../words/counted.ts';

const ColumnChoices = lazyPart(async () => (await import('./ColumnChoices.tsx')).ColumnChoices);

type RainInterval = WeatherImported['rainInterval'];

interface Props {
  zone: string;
  now: number;
  onShifts: (shifts: Shift[]) => void;
}

const SAMPLE = 'time,air °C,RH %,wind m/s,rain mm\n2026-05-14 06:00,8.4,82,1.2,0\n';

const headerOf = (csv: string) => csv.slice(0, csv.search(/[\r\n]|$/));

/** Hourly weather from a file: read and reported first, kept only on a second word. */
export function WeatherFile({ zone, now, onShifts }: Props) {
  const id = useId();
  const [csv, setCsv] = useState('');
  const [mapping, setMapping] = useState<ColumnMapping>({});
  const [rain, setRain] = useState<RainInterval | null>(null);
  const [report, setReport] = useState<WeatherImported | null>(null);
  const [kept, setKept] = useState(false);
  const { mutate: write, isPending: busy, error } = useWrite<WeatherImported>({ atForm: true });

  const send = (
    mode: 'check' | 'import',
    text: string,
    columns: ColumnMapping = mapping,
    rainInterval: RainInterval | null = rain,
  ) => {
    setKept(false);
    const body = { csv: text, mode, mapping: columns, ...(rainInterval && { rainInterval }) };
    write(
      { method: 'POST', path: '/weather', body },
      {
        onSuccess: (answer) => {
          setReport(answer);
          if (mode === 'check') return;
          setKept(true);
          onShifts(answer.shifts);
        },
        onError: () => setReport(null),
      },
    );
  };

  const left = (report?.badRows.length ?? 0) + (report?.moreBadRows ?? 0);
  return (
    <section aria-labelledby="file" className="space-y-3">
      <h2 id="file" className="batten pb-1 text-lg">{t`Import weather data`}</h2>
      <p>{t`CSV with a header: time, air °C, RH %, and optionally wind m/s, rain mm, surface °C, cloud (tenths). Rows may be an hour apart or closer. Rows up to now count as measured, later ones as forecast. Rain is taken to have fallen before its timestamp, as most loggers write it, unless the header says “after” or you choose otherwise. Times without an offset are in ${zone}.`}</p>
      <div>
        <label htmlFor={id} className="label-caps block pb-1">{t`CSV file`}</label>
        <input
          id={id}
          type="file"
          accept=".csv,text/csv,text/plain"
          className="file-input w-full"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (!file) return;
            void file.text().then((text) => {
              setCsv(text);
              setMapping({});
              setRain(null);
              send('check', text, {}, null);
            });
          }}
        />
      </div>
      <details>
        <summary className="cursor-pointer underline underline-offset-2">{t`Paste CSV instead`}</summary>
        <textarea
          aria-label={t`CSV text`}
          rows={6}
          className="textarea w-full font-mono text-sm"
          placeholder={SAMPLE}
          value={csv}
          onChange={(event) => {
            // Columns were named for the header that stood there.
            if (headerOf(event.target.value) !== headerOf(csv)) {
              setMapping({});
              setRain(null);
            }
            setCsv(event.target.value);
            setReport(null);
          }}
        />
        <button
          type="button"
          className="btn"
          disabled={busy || csv.trim() === ''}
          onClick={() => send('check', csv)}
        >{t`Check data`}</button>
      </details>
      {error && (
        <p role="alert" className="text-error font-semibold">
          {error.message}
        </p>
      )}
      {csv.trim() !== '' && !kept && (
        <details open={error !== null}>
          <summary className="target cursor-pointer py-2">{t`Assign columns`}</summary>
          <Suspense>
            <ColumnChoices
              csv={csv}
              mapping={mapping}
              onChange={(columns) => {
                setMapping(columns);
                send('check', csv, columns);
              }}
            />
          </Suspense>
        </details>
      )}
      {report && (
        <div className="space-y-2" role="status">
          <p>
            <strong>{counted(report.hours, 'hour')}</strong>
            {t` read, `}
            {report.from && sayTime(report.from, zone, now)}
            {t` to `}
            {report.to && sayTime(report.to, zone, now)}
            {t`. Columns: ${Object.entries(report.columns)
              .map(([key, header]) => t`${key} from “${header}”`)
              .join(', ')}.`}
          </p>
          {report.columns.rain !== undefined && !kept && (
            <Choice
              label={t`Rain interval`}
              value={report.rainInterval}
              choices={[
                ['before', t`Before each timestamp (usual)`],
                ['after', t`After each timestamp`],
              ]}
              onChange={(interval) => {
                setRain(interval);
                send('check', csv, mapping, interval);
              }}
            />
          )}
          {report.columns.rain === undefined && (
            <p>{t`No rain column: coats in the open will be suitable only on condition that it stays dry.`}</p>
          )}
          {report.badRows.length > 0 && (
            <>
              <p className="text-error font-semibold">
                {t`${left} ${left === 1 ? t`row is` : t`rows are`} left out`}
                {report.moreBadRows > 0 && t`, the first ${report.badRows.length} of them`}:
              </p>
              <ul className="max-h-48 list-disc overflow-y-auto pl-5">
                {report.badRows.map((row) => (
                  <li key={row.line}>{t`Line ${row.line}: ${row.message}`}</li>
                ))}
              </ul>
            </>
          )}
          {kept ? (
            <p className="font-semibold">
              {t`Imported. ${
                report.shifts.length === 0
                  ? t`No overcoat window changed.`
                  : t`${counted(report.shifts.length, 'overcoat time')} changed (listed above).`
              }`}
            </p>
          ) : (
            <button
              type="button"
              className="btn btn-primary"
              disabled={busy}
              onClick={() => send('import', csv)}
            >
              {t`Import ${counted(report.hours, 'hour')}`}
            </button>
          )}
        </div>
      )}
    </section>
  );
}
