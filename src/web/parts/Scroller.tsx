import type { ReactNode } from 'react';

/** Something wider than a phone: scrolls sideways within itself, by keyboard too (WCAG 2.1.1). */
export function Scroller({ label, children }: { label: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard (WCAG 2.1.1)
    <section aria-label={label} tabIndex={0} className="overflow-x-auto">
      {children}
    </section>
  );
}
