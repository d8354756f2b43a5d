import '@fontsource-variable/archivo/standard.css';
import './style.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { followChanges } from './api/live.ts';
import { makeQueryClient, refetch } from './api/queryClient.ts';
import { startQueue } from './api/queue.ts';
import { routes } from './routes.tsx';
import { UnitsProvider } from './units/UnitsContext.tsx';

const router = createBrowserRouter(routes);
const client = makeQueryClient();
followChanges({
  changes: (changes) => void refetch(client, changes),
  lost: () => void client.invalidateQueries(),
});
startQueue();

// The places worked in by phone, and what asks and tells on any of them, are fetched ahead: the connection may be gone when they are opened.
setTimeout(() => {
  Promise.all([
    import('./bench/BenchPage.tsx'),
    import('./bench/BenchChoice.tsx'),
    import('./log/LogPage.tsx'),
    import('./parts/ConfirmDialog.tsx'),
    import('./parts/NoticeList.tsx'),
    import('./shell/QueueDecisions.tsx'),
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
