import { notifyManager, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { resumeDrafts } from './api/drafts.ts';
import { kitShelf } from './api/kit.ts';
import { meterProjectShelf } from './api/meter-projects.ts';
import { BenchPage } from './bench/bench-page.tsx';
import { JobsPage } from './jobs/jobs-page.tsx';
import { Broken } from './shell/broken.tsx';
import { Shell } from './shell/shell.tsx';
import { applyTheme } from './shell/theme.ts';
import { fetchAhead, pageLater } from './ui/fetched-later.ts';
import './styles.css';

applyTheme();
// An edit is on the screen before the next key is read, so that each edit builds on the one before.
notifyManager.setScheduler(queueMicrotask);
const queries = new QueryClient({ defaultOptions: { queries: { retry: 2 } } });
void resumeDrafts(queries, kitShelf);
void resumeDrafts(queries, meterProjectShelf);
const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <JobsPage /> },
      { path: '/bench/:jobId/:step?/:setupId?', element: <BenchPage /> },
      {
        path: '/workshop/:projectId?/:sheet?',
        lazy: pageLater(async () => (await import('./workshop/workshop-page.tsx')).WorkshopPage),
      },
      {
        path: '/correct',
        lazy: pageLater(async () => (await import('./correction/correction-page.tsx')).CorrectionPage),
      },
      { path: '/kit/:instrumentId?', lazy: pageLater(async () => (await import('./kit/kit-page.tsx')).KitPage) },
      { path: '*', element: <JobsPage /> },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);

// Once the first screen stands.
setTimeout(() => void fetchAhead(), 1500);
