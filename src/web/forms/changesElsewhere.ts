import { createContext, useContext } from 'react';
import type { FieldValues, FormState, Path, UseFormReturn } from 'react-hook-form';
import { t } from '../../words.ts';

/** What changed of the fields being typed in here since, as a sentence, by the field's name. */
export const ChangesElsewhere = createContext<Readonly<Record<string, string>>>({});
export const useChangeElsewhere = (name: string): string | undefined => useContext(ChangesElsewhere)[name];

/** Every field of a form's values with its path: lists count as one field. */
function* leaves(values: object, at = ''): Generator<[path: string, value: unknown]> {
  for (const [key, value] of Object.entries(values)) {
    const path = at ? `${at}.${key}` : key;
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) yield* leaves(value, path);
    else yield [path, value];
  }
}

const isBlank = (value: unknown) =>
  value === '' || value === null || value === undefined || (Array.isArray(value) && value.length === 0);

/** A value with its keys in order and without the blanks that a field leaves where nothing was. */
function plain(value: unknown): unknown {
  if (Array.isArray(value)) {
    const items = Array.from(value, plain);
    return items.slice(0, items.findLastIndex((item) => !isBlank(item)) + 1);
  }
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).map(([key, each]) => [key, plain(each)] as const);
  return Object.fromEntries(
    entries.filter(([, each]) => !isBlank(each)).toSorted(([a], [b]) => (a < b ? -1 : 1)),
  );
}

/** Whether anything typed is other than what the form starts from: a blank field where nothing was is nothing typed. */
export const differs = (typed: unknown, start: unknown): boolean => !same(plain(typed), plain(start));

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

const isTyped = (dirty: FormState<FieldValues>['dirtyFields'], path: string): boolean => {
  const found = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], dirty);
  return found !== undefined && found !== false;
};

/** For a record that somebody else saved in the meantime. */
function sayElsewhere(value: unknown): string {
  const what = Array.isArray(value)
    ? t`Changed elsewhere`
    : value === ''
      ? t`Emptied elsewhere`
      : t`Changed elsewhere to “${String(value)}”`;
  return t`${what} while you were editing.`;
}

/** For a figure that is worked out again while it is typed over. */
export const sayWorkedOut = (value: unknown): string =>
  value === '' ? t`No longer worked out.` : t`Now worked out as ${String(value)}.`;

/**
 * Merges another person’s saved changes into a form that is being edited: fields not typed in follow, those typed
 * in stay as they are.
 *
 * @param say what is said of a typed field that would be another now
 * @param onItsWay values that were sent and not answered yet: what differs from them was typed since and stays
 * @returns what is said of each of them
 */
export function followOthers<T extends FieldValues>(
  form: UseFormReturn<T>,
  was: T,
  is: T,
  say: (value: unknown) => string = sayElsewhere,
  onItsWay: T | null = null,
): Record<string, string> {
  const changes: Record<string, string> = {};
  const before = new Map(leaves(was));
  const sending = onItsWay && new Map(leaves(onItsWay));
  for (const [path, value] of leaves(is)) {
    if (same(before.get(path), value)) continue;
    const name = path as Path<T>;
    if (sending && differs({ value: form.getValues(name) }, { value: sending.get(path) })) continue;
    if (!isTyped(form.formState.dirtyFields as never, path)) {
      form.resetField(name, { defaultValue: value as never });
    } else if (!same(form.getValues(name), value)) {
      changes[path] = say(value);
    }
  }
  return changes;
}

/** The form starts from other values. Its fields stay what they are: a key pressed before it is drawn again isn’t lost. */
export const startAgain = <T extends FieldValues>(form: UseFormReturn<T>, values: T): void =>
  form.reset(values, { keepFieldsRef: true });

/**
 * Treats the sent values as saved: the form starts from them, and later typing stays as unsaved.
 *
 * @param saved the record as it came back, or what was sent where it has not
 * @returns whether anything was typed since it was sent: a field that followed the record isn’t typed
 */
export function startFrom<T extends FieldValues>(form: UseFormReturn<T>, saved: T, sent: T): boolean {
  const now = structuredClone(form.getValues());
  startAgain(form, saved);
  const known = [sent, saved].map((values) => new Map(leaves(values)));
  const typed = [...leaves(now)].filter(([path, value]) =>
    known.every((values) => differs({ value }, { value: values.get(path) })),
  );
  for (const [path, value] of typed) form.setValue(path as Path<T>, value as never, { shouldDirty: true });
  return typed.length > 0;
}
