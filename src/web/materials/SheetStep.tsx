import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** What the paper says under it, so that one knows whether to look. */
  about: string;
  children: ReactNode;
}

/** A further step of a data sheet, closed at first; the form opens it if a field in it is refused. */
export function SheetStep({ title, about, children }: Props) {
  return (
    <details className="border-base-300 border-y">
      <summary className="target cursor-pointer py-3 text-lg">
        <span className="lettered">{title}</span> <span className="text-sm opacity-80">{about}</span>
      </summary>
      <div className="space-y-5 pb-5">{children}</div>
    </details>
  );
}
