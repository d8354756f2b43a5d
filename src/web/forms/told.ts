import { createContext, useContext } from 'react';
import type { FieldValues, FormState, Path, UseFormReturn } from 'react-hook-form';

/** What other devices changed of the fields being typed in here, by the field's name. */
export const Told = createContext<Readonly<Record<string, string>>>({});
export const useTold = (name: string): string | undefined => useContext(Told)[name];

/** Every field of a form's values with its path: lists count as one field. */
function* leaves(values: object, at = ''): Generator<[path: string, value: unknown]> {
  for (const [key, value] of Object.entries(values)) {
    const path = at ? `${at}.${key}` : key;
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) yield* leaves(value, path);
    else yield [path, value];
  }
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

const isTyped = (dirty: FormState<FieldValues>['dirtyFields'], path: string): boolean => {
  const found = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], dirty);
  return found !== undefined && found !== false;
};

/**
 * Brings into a form that is being typed in what somebody else saved meanwhile: fields not typed in follow, those typed
 * in stay as they are.
 *
 * @returns what the typed ones were changed to elsewhere, in words
 */
export function followOthers<T extends FieldValues>(
  form: UseFormReturn<T>,
  was: T,
  is: T,
): Record<string, string> {
  const told: Record<string, string> = {};
  const before = new Map(leaves(was));
  for (const [path, value] of leaves(is)) {
    if (same(before.get(path), value)) continue;
    const name = path as Path<T>;
    if (!isTyped(form.formState.dirtyFields as never, path)) {
      form.resetField(name, { defaultValue: value as never });
    } else if (!same(form.getValues(name), value)) {
      told[path] = typeof value === 'object' ? '' : String(value);
    }
  }
  return told;
}
