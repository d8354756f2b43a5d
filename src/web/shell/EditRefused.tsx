import { useState } from 'react';
import type { Problem } from '../../contract/index.ts';
import { parseNumber } from '../../core/units/index.ts';
import { t } from '../../words.ts';

/** A figure or a text within what was refused, by its path. */
export interface Leaf {
  path: string;
  value: string | number;
}

const isId = (value: unknown) => typeof value === 'string' && /^[0-9a-f]{8}-[0-9a-f-]{27}$/.test(value);

/** What somebody could have typed in a body: its figures and texts, but for ids. */
export function typedLeaves(body: unknown, at = ''): Leaf[] {
  if ((typeof body === 'string' && !isId(body)) || typeof body === 'number')
    return [{ path: at, value: body }];
  if (typeof body !== 'object' || body === null) return [];
  return Object.entries(body).flatMap(([key, each]) => typedLeaves(each, at === '' ? key : `${at}.${key}`));
}

/** A body with some of its leaves others. */
export function withLeaves(body: unknown, changed: Readonly<Record<string, string | number>>): unknown {
  const copy = structuredClone(body);
  for (const [path, value] of Object.entries(changed)) {
    const keys = path.split('.');
    const last = keys.pop() as string;
    const at = keys.reduce<unknown>((within, key) => (within as Record<string, unknown>)[key], copy);
    (at as Record<string, unknown>)[last] = value;
  }
  return copy;
}

const titleOf = (path: string) =>
  path
    .replace(/^body\./, '')
    .replaceAll('.', ', ')
    .replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);

/** A rejected entry to correct: the fields that the server named, otherwise every field. */
export function EditRefused({
  body,
  problem,
  onSend,
  onCancel,
}: {
  body: unknown;
  problem: Problem | null;
  onSend: (body: unknown) => void;
  onCancel: () => void;
}) {
  const all = typedLeaves(body);
  const named = all.filter(({ path }) => problem?.errors?.some((error) => error.path === path));
  const leaves = named.length > 0 ? named : all;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [bad, setBad] = useState<string | null>(null);
  const send = () => {
    const changed: Record<string, string | number> = {};
    for (const { path, value } of leaves) {
      const text = typed[path];
      if (text === undefined) continue;
      try {
        changed[path] = typeof value === 'number' ? parseNumber(text) : text;
      } catch (error) {
        return setBad(`${titleOf(path)} ${(error as Error).message}`);
      }
    }
    onSend(withLeaves(body, changed));
  };
  return (
    <form
      className="w-full space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <p className="text-sm">{t`The values as they are stored: metric units, fractions for per cent, times in UTC. The rest of the entry stays as it is.`}</p>
      <div className="grid gap-3 sm:grid-cols-2">
        {leaves.map(({ path, value }) => (
          <label key={path}>
            <span className="label-caps block pb-1">{titleOf(path)}</span>
            <input
              className="input target w-full"
              value={typed[path] ?? String(value)}
              onChange={(event) => setTyped((known) => ({ ...known, [path]: event.target.value }))}
            />
          </label>
        ))}
      </div>
      {bad && (
        <p role="alert" className="text-error font-semibold">
          {bad}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn btn-primary target">{t`Send`}</button>
        <button type="button" className="btn btn-ghost target" onClick={onCancel}>{t`Cancel`}</button>
      </div>
    </form>
  );
}
