import { Link, useRouteError } from 'react-router';

/** An address that leads nowhere, or a screen that failed: within the shell, or in its place where that failed itself. */
export function RouteError({ inShell = true }: { inShell?: boolean }) {
  const error = useRouteError();
  const Around = inShell ? 'div' : 'main';
  return (
    <Around className="max-w-prose space-y-3 p-6">
      <h1 className="text-2xl">{error ? 'Something went wrong on this page' : 'Page not found'}</h1>
      <p>
        {error
          ? 'Everything you logged is still there. Open the board. If this happens again, reload the page.'
          : 'The boat or area may have been archived.'}
      </p>
      <Link className="btn btn-primary" to="/">
        Open board
      </Link>
    </Around>
  );
}
