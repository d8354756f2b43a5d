import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { BenchView, OldLine, TapeKind, Waterline } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { sayTime } from '../clock/say.ts';
import { BARE_WORDS } from '../words/supports.ts';
import { useTapeTick } from './useTapeTick.ts';

const TAPE_WORDS: Record<TapeKind, string> = {
  masking: t`Masking tape`,
  'fine-line': t`Fine-line tape`,
};

/** The edges and the leave-bare list of the area, taped before the coat and untaped after it: a tick each, kept in the log. */
export function LeaveBare({ view, zone }: { view: BenchView; zone: string }) {
  const tick = useTapeTick(view);
  const ticks = view.bare;
  const now = Date.parse(view.now);
  const [tape, setTape] = useState<TapeKind>(
    () => ticks.find((item) => item.tape !== null)?.tape ?? 'masking',
  );
  const open = ticks.filter(({ taped, kind }) => taped !== true && kind !== 'edge').length;
  return (
    <section aria-labelledby="leave-bare" className="space-y-2">
      <h2 id="leave-bare" className="batten pb-1 text-lg">
        {t`Masking`}
        {open > 0 && t` (${open} not taped)`}
      </h2>
      <fieldset className="flex flex-wrap items-center gap-2">
        <legend className="label-caps float-left pr-2">{t`Tape type`}</legend>
        {(Object.keys(TAPE_WORDS) as TapeKind[]).map((kind) => (
          <label key={kind} className="target inline-flex items-center gap-2">
            <input
              type="radio"
              name="tape-kind"
              className="radio"
              checked={tape === kind}
              onChange={() => setTape(kind)}
            />
            {TAPE_WORDS[kind]}
          </label>
        ))}
      </fieldset>
      <ul className="divide-base-300 divide-y">
        {ticks.map((item) => (
          <li key={item.id} className="flex flex-wrap items-center gap-3 py-1">
            <span className="grow">
              <strong>{item.name}</strong>
              {item.kind !== 'edge' && item.name !== BARE_WORDS[item.kind] && (
                <span className="pl-2 text-sm">{BARE_WORDS[item.kind]}</span>
              )}
              {item.offBy && (
                <span className="block text-sm">
                  {item.taped
                    ? t`Remove by ${sayTime(item.offBy, zone, now)}, or the tape will tear`
                    : t`Tape overdue since ${sayTime(item.offBy, zone, now)}. If paint covers its edge, score along the line first. Pull it back on itself, and tape again before the next coat.`}
                </span>
              )}
            </span>
            <fieldset className="join">
              <legend className="sr-only">{item.name}</legend>
              {([true, false] as const).map((on) => (
                <button
                  key={String(on)}
                  type="button"
                  className={`btn target join-item ${item.taped === on ? 'btn-neutral' : ''}`}
                  aria-pressed={item.taped === on}
                  onClick={() => tick(item, on ? tape : null)}
                >
                  {on ? t`Tape on` : t`Tape off`}
                </button>
              ))}
            </fieldset>
          </li>
        ))}
      </ul>
    </section>
  );
}

const ANSWERS: readonly (readonly [OldLine, string])[] = [
  ['tabs', t`Tape tabs in place`],
  ['heights', t`Heights written down`],
  ['none', t`No old line`],
];

/** Before the first coat hides the old waterline: is it saved? */
export function OldLineAsked({ view }: { view: BenchView }) {
  const { mutate: answer } = useMutation({
    mutationFn: async (oldLine: OldLine) => {
      const { boatId: _b, ...line } = await api<Waterline>('GET', `/boats/${view.boat.id}/waterline`);
      return api<Waterline>('PUT', `/boats/${view.boat.id}/waterline`, { ...line, oldLine });
    },
  });
  if (!view.askOldLine) return null;
  return (
    <section aria-label={t`Old waterline`} className="border-line space-y-2 border-2 p-3">
      <p className="text-lg font-semibold">{t`This coat will hide the old waterline. Have you saved the line?`}</p>
      <p>{t`Put short tape tabs at the stations, or write down the heights. Otherwise the line has to be struck again.`}</p>
      <div className="flex flex-wrap gap-2">
        {ANSWERS.map(([value, word]) => (
          <button key={value} type="button" className="btn target" onClick={() => answer(value)}>
            {word}
          </button>
        ))}
      </div>
    </section>
  );
}
