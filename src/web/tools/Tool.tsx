import { type ReactNode, useId } from 'react';
import { EachKey } from '../forms/NumberField.tsx';

/** A result, or why there is none. */
export function tried<T>(work: () => T): { value: T } | { problem: string } {
  try {
    return { value: work() };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** One tool under its heading. */
export function Tool({ title, children }: { title: string; children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="space-y-3">
      <h2 id={id} className="batten pb-1 text-lg">
        {title}
      </h2>
      <EachKey value={true}>{children}</EachKey>
    </section>
  );
}

export const Problem = ({ text }: { text: string }) => <p className="text-error font-semibold">{text}</p>;
