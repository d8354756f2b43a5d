import { useEffect, useState } from 'react';
import type { Waterline } from '../../contract/index.ts';

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Fields that don’t affect the waterline. */
const META: readonly string[] = ['version', 'boatId'];

interface Draft {
  plan: Waterline;
  /** The last version it was made equal to. */
  base: Waterline;
  /** Fields typed here that somebody else has changed since. */
  elsewhere: string[];
}

/**
 * A line being typed. When another device saves in the meantime, the edits here stay; fields that are not typed
 * follow, and those that are typed on both sides are named.
 */
function merged({ plan, base, elsewhere }: Draft, served: Waterline): Draft {
  const fields = Object.keys(served).filter((key) => !META.includes(key)) as (keyof Waterline)[];
  const typed = fields.filter((key) => !same(plan[key], base[key]));
  const changed = fields.filter((key) => !same(served[key], base[key]));
  const mine = Object.fromEntries(typed.map((key) => [key, plan[key]]));
  const both = typed.filter((key) => changed.includes(key) && !same(plan[key], served[key]));
  return {
    plan: { ...served, ...mine },
    base: served,
    elsewhere: [...new Set([...elsewhere, ...both])],
  };
}

export function usePlanDraft(served: Waterline) {
  const [draft, setDraft] = useState<Draft>({ plan: served, base: served, elsewhere: [] });
  useEffect(() => {
    setDraft((was) => (served.version === was.base.version ? was : merged(was, served)));
  }, [served]);
  const { plan, base } = draft;
  const settle = (line: Waterline) => setDraft({ plan: line, base: line, elsewhere: [] });
  return {
    plan,
    elsewhere: draft.elsewhere,
    touched: !same({ ...plan, version: 0 }, { ...base, version: 0 }),
    change: (some: Partial<Waterline>) => setDraft((was) => ({ ...was, plan: { ...was.plan, ...some } })),
    reset: () => settle(base),
    /** Takes what the server answered to a save. */
    settle,
  };
}
