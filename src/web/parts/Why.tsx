import type { ReactNode } from 'react';
import { t } from '../../words.ts';

/** A figure that opens to how it was come by. */
export function Why({ figure, children }: { figure: ReactNode; children: ReactNode }) {
  return (
    <details className="group">
      <summary className="cursor-pointer list-none">
        {figure}
        <span className="text-info pl-2 text-sm underline underline-offset-2 group-open:hidden">{t`Show details`}</span>
        <span className="text-info hidden pl-2 text-sm underline underline-offset-2 group-open:inline">
          {t` Hide details `}
        </span>
      </summary>
      <div className="border-line mt-1 border-l-2 pl-3 text-sm">{children}</div>
    </details>
  );
}
