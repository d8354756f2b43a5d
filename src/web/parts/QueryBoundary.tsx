import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { t } from '../../words.ts';

/** What a screen shows while its data is on the way, when it cannot be had, and once it is there. */
export function QueryBoundary<T>({
  query,
  children,
}: {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined) return children(query.data);
  if (query.isError) {
    return (
      <div role="alert" className="max-w-prose space-y-3 p-4">
        <p className="font-semibold">{t`Couldn’t load this page.`}</p>
        <p>{query.error.message}</p>
        <button type="button" className="btn" onClick={() => void query.refetch()}>{t`Retry`}</button>
      </div>
    );
  }
  return <p className="p-4 opacity-80" role="status">{t`Loading…`}</p>;
}
