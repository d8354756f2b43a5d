import { Link, useRouteError } from 'react-router';
import { t } from '../../words.ts';

/** An address that leads nowhere, or a screen that failed: within the shell, or in its place where that failed itself. */
export function RouteError({ inShell = true }: { inShell?: boolean }) {
  const error = useRouteError();
  const Around = inShell ? 'div' : 'main';
  return (
    <Around className="max-w-prose space-y-3 p-6">
      <h1 className="text-2xl">{error ? t`Something went wrong on this page` : t`Page not found`}</h1>
      <p>
        {error
          ? t`Everything you logged is still there. Open the board. If this happens again, reload the page.`
          : t`The boat or area may have been archived.`}
      </p>
      <Link className="btn btn-primary" to="/">{t`Open board`}</Link>
    </Around>
  );
}
