import '@fontsource-variable/archivo/standard.css';
import './style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { followChanges } from './api/live.ts';
import { startOutbox } from './api/outbox.ts';
import { router } from './routes.tsx';
import { UnitsProvider } from './units/UnitsContext.tsx';

const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 20_000, retry: 1, networkMode: 'always' } },
});
followChanges(client);
startOutbox(() => void client.invalidateQueries());

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <UnitsProvider>
        <RouterProvider router={router} />
      </UnitsProvider>
    </QueryClientProvider>
  </StrictMode>,
);
