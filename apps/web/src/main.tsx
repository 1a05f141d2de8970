import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { queries } from './api/queries.ts';
import { sendAgain, startSaving } from './documents/saving.ts';
import { showInList } from './documents/use-document-list.ts';
import { Broken } from './shell/broken.tsx';
import { Shell } from './shell/shell.tsx';
import { applyTheme } from './ui/theme.ts';
import { codeLater, fetchAhead, pageLater } from './ui/fetched-later.ts';
import './styles.css';

applyTheme();
startSaving(showInList);
const jobsPage = pageLater(async () => (await import('./jobs/jobs-page.tsx')).JobsPage);
const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { path: '/', lazy: jobsPage },
      {
        path: '/bench/:jobId/:step?/:setupId?',
        lazy: pageLater(async () => (await import('./bench/bench-page.tsx')).BenchPage),
      },
      {
        path: '/workshop/:projectId?/:sheet?',
        lazy: pageLater(async () => (await import('./workshop/workshop-page.tsx')).WorkshopPage),
      },
      {
        path: '/correct',
        lazy: pageLater(async () => (await import('./correction/correction-page.tsx')).CorrectionPage),
      },
      {
        path: '/history/:kind/:id/:entry?',
        lazy: pageLater(async () => (await import('./documents/history-page.tsx')).HistoryPage),
      },
      {
        path: '/learn/:topic?',
        lazy: pageLater(async () => (await import('./learn/learn-page.tsx')).LearnPage),
      },
      {
        path: '/practice/:view?',
        lazy: pageLater(async () => (await import('./practice/practice-page.tsx')).PracticePage),
      },
      {
        path: '/devices',
        lazy: pageLater(async () => (await import('./devices/devices-page.tsx')).DevicesPage),
      },
      {
        path: '/calibrations',
        lazy: pageLater(async () => (await import('./kit/calibrations-page.tsx')).CalibrationsPage),
      },
      {
        path: '/kit/:instrumentId?/:sheet?',
        lazy: pageLater(async () => (await import('./kit/kit-page.tsx')).KitPage),
      },
      { path: '*', lazy: jobsPage },
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

// Once the first screen is complete.
const follow = codeLater(async () => (await import('./documents/follow.ts')).followChanges);
const install = codeLater(async () => (await import('./documents/installed.ts')).keepInstalled);
setTimeout(() => void follow().then((begin) => begin(sendAgain)), 200);
setTimeout(() => void fetchAhead(), 1500);
setTimeout(() => void install().then((begin) => begin()), 2000);
