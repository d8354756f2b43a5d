import { v7 as uuidv7 } from 'uuid';
import type { BenchView } from '../../contract/index.ts';
import { BARE_STEEL_HOURS, PASSIVATED_HOURS } from '../../core/inspect/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';

const WAYS: readonly (readonly [string, number])[] = [
  [t`blasted bare`, BARE_STEEL_HOURS],
  [t`blasted and passivated`, PASSIVATED_HOURS],
];

/** Steel waits four hours for its primer, a little longer under a wash: the clock is started here and runs on the board. */
export function BlastClock({ view }: { view: BenchView }) {
  const { mutate: log } = useQueued();
  const { area, clock } = view;
  // Converted rust is never bare steel.
  const converted = view.product?.sheet.family === 'rust-converter';
  if (area.substrate !== 'steel' || clock.film !== null || converted) return null;
  const start = (holdsHours: number) =>
    log(
      entryWrite({
        id: uuidv7(),
        areaId: area.id,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'blast',
        body: { holdsHours },
      }),
    );
  return (
    <section aria-label={t`Bare steel`} className="flex flex-wrap items-center gap-2">
      {WAYS.map(([word, hours]) => (
        <button key={word} type="button" className="btn target" onClick={() => start(hours)}>
          {t`Start ${hours} h timer: ${word}`}
        </button>
      ))}
      <span className="text-sm">
        {clock.primeBy
          ? t`A timer is running. Starting another replaces it.`
          : t`Prime within 4 hours, sooner in damp air (common practice).`}
      </span>
    </section>
  );
}
