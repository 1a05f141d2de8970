import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Route, Routes } from 'react-router';
import { basePath } from './api/base-path.ts';
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
const JobsPage = pageLater(async () => (await import('./jobs/jobs-page.tsx')).JobsPage);
const BenchPage = pageLater(async () => (await import('./bench/bench-page.tsx')).BenchPage);
const WorkshopPage = pageLater(async () => (await import('./workshop/workshop-page.tsx')).WorkshopPage);
const CorrectionPage = pageLater(async () => (await import('./correction/correction-page.tsx')).CorrectionPage);
const HistoryPage = pageLater(async () => (await import('./documents/history-page.tsx')).HistoryPage);
const LearnPage = pageLater(async () => (await import('./learn/learn-page.tsx')).LearnPage);
const PracticePage = pageLater(async () => (await import('./practice/practice-page.tsx')).PracticePage);
const DevicesPage = pageLater(async () => (await import('./devices/devices-page.tsx')).DevicesPage);
const OrderPage = pageLater(async () => (await import('./orders/order-page.tsx')).OrderPage);
const NewCircuitPage = pageLater(async () => (await import('./new-circuit/new-circuit-page.tsx')).NewCircuitPage);
const BackupPage = pageLater(async () => (await import('./backup/backup-page.tsx')).BackupPage);
const CalibrationsPage = pageLater(async () => (await import('./kit/calibrations-page.tsx')).CalibrationsPage);
const HelpPage = pageLater(async () => (await import('./help/help-page.tsx')).HelpPage);
const AboutPage = pageLater(async () => (await import('./about/about-page.tsx')).AboutPage);
const KitPage = pageLater(async () => (await import('./kit/kit-page.tsx')).KitPage);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <ErrorBoundary FallbackComponent={Broken}>
        <BrowserRouter basename={basePath()}>
          <Routes>
            <Route element={<Shell />}>
              <Route path="/" element={<JobsPage />} />
              <Route path="/bench/:jobId/:step?/:setupId?" element={<BenchPage />} />
              <Route path="/workshop/:projectId?/:sheet?" element={<WorkshopPage />} />
              <Route path="/correct" element={<CorrectionPage />} />
              <Route path="/history/:kind/:id/:entry?" element={<HistoryPage />} />
              <Route path="/learn/:topic?" element={<LearnPage />} />
              <Route path="/practice/:view?" element={<PracticePage />} />
              <Route path="/devices" element={<DevicesPage />} />
              <Route path="/backup" element={<BackupPage />} />
              <Route path="/new-circuit/:jobId" element={<NewCircuitPage />} />
              <Route path="/order/:order" element={<OrderPage />} />
              <Route path="/calibrations" element={<CalibrationsPage />} />
              <Route path="/help/:page?" element={<HelpPage />} />
              <Route path="/about" element={<AboutPage />} />
              <Route path="/kit/:instrumentId?/:sheet?" element={<KitPage />} />
              <Route path="*" element={<JobsPage />} />
            </Route>
          </Routes>
        </BrowserRouter>
      </ErrorBoundary>
    </QueryClientProvider>
  </StrictMode>,
);

// Once the first screen is complete.
const follow = codeLater(async () => (await import('./documents/follow.ts')).followChanges);
const install = codeLater(async () => (await import('./documents/installed.ts')).keepInstalled);
setTimeout(() => void follow().then((begin) => begin(sendAgain)), 200);
setTimeout(() => void fetchAhead(), 1500);
setTimeout(() => void install().then((begin) => begin()), 2000);
