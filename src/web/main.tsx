import '@fontsource-variable/archivo/standard.css';
import './style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { followChanges } from './api/live.ts';
import { startOutbox } from './api/outbox.ts';
import { routes } from './routes.tsx';
import { UnitsProvider } from './units/UnitsContext.tsx';

const router = createBrowserRouter(routes);
const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 20_000, retry: 1, networkMode: 'always' } },
});
followChanges(client);
startOutbox(() => void client.invalidateQueries());

// The places worked in by phone are fetched ahead: the connection may be gone when they are opened.
setTimeout(() => {
  Promise.all([
    import('./bench/BenchPage.tsx'),
    import('./bench/BenchChoice.tsx'),
    import('./log/LogPage.tsx'),
    import('../contract/index.ts'),
  ]).catch(
    () => {}, // they are asked for again when they are gone to
  );
}, 2500);

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <UnitsProvider>
        <RouterProvider router={router} />
      </UnitsProvider>
    </QueryClientProvider>
  </StrictMode>,
);
