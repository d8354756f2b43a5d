/** Derived values, worked out once for as long as what they are derived from stays the same objects. */

interface Kept<Result> {
  rest: readonly unknown[];
  result: Result;
}

/** A promise that fails is forgotten: what could not be had once is tried again. */
function forgetFailed(result: unknown, forget: () => void): void {
  if (result instanceof Promise) result.catch(forget);
}

/**
 * Results remembered by the identity of what they are made from, for as long as the first of it lives: what is asked for again
 * with the same `first` and the same `rest` is the same object. `make` may use nothing that these do not decide.
 *
 * @param keep results remembered for each first
 */
export function remembering<Result>(
  keep = 1,
): (first: object, rest: readonly unknown[], make: () => Result) => Result {
  const known = new WeakMap<object, Kept<Result>[]>();
  return (first, rest, make) => {
    const results = known.get(first) ?? [];
    const had = results.find(
      (each) => each.rest.length === rest.length && each.rest.every((value, i) => Object.is(value, rest[i])),
    );
    if (had) return had.result;
    const made = { rest, result: make() };
    results.unshift(made);
    results.length = Math.min(results.length, keep);
    known.set(first, results);
    forgetFailed(made.result, () => {
      const at = results.indexOf(made);
      if (at >= 0) results.splice(at, 1);
    });
    return made.result;
  };
}

/**
 * A pure function that remembers its last results by the identity of its arguments, as {@link remembering} does. Arguments must never
 * be changed once given.
 *
 * `const clockOf = memoised((area: Area, sheets: string) => …)`: asked twice of one area and one word it answers the same object.
 *
 * @param keep results remembered for each first argument
 */
export function memoised<First extends object, Rest extends readonly unknown[], Result>(
  of: (first: First, ...rest: Rest) => Result,
  keep = 1,
): (first: First, ...rest: Rest) => Result {
  const kept = remembering<Result>(keep);
  return (first, ...rest) => kept(first, rest, () => of(first, ...rest));
}

/** As {@link memoised}, for a second argument of which many are asked: each is known by what `keyOf` says of its content. */
export function memoisedByKey<First extends object, Second, Result>(
  of: (first: First, second: Second) => Result,
  keyOf: (second: Second) => string,
): (first: First, second: Second) => Result {
  const known = new WeakMap<First, Map<string, { result: Result }>>();
  return (first, second) => {
    const results = known.get(first) ?? new Map<string, { result: Result }>();
    known.set(first, results);
    const key = keyOf(second);
    const had = results.get(key);
    if (had) return had.result;
    const made = { result: of(first, second) };
    results.set(key, made);
    return made.result;
  };
}
