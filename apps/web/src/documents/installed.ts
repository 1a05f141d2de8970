import { Workbox } from 'workbox-window';
import { basePath, serverAddress } from '../api/base-path.ts';
import { toast } from '../ui/toast.ts';
import { placeOfKey, useDocuments } from './documents.ts';

/** ms between two looks for a newer version of the application. */
const hour = 3_600_000;

/**
 * Keeps the application, and the answers that it needs, in the browser, so that it opens in a dead spot. Browsers do so only over a
 * line that is private, or on the server's own computer.
 */
export function keepInstalled(): void {
  if (!('serviceWorker' in navigator)) return;
  const worker = new Workbox(serverAddress('sw.js'), { scope: basePath() });
  const load = (): void => {
    worker.addEventListener('controlling', () => location.reload());
    worker.messageSkipWaiting();
  };
  worker.addEventListener(
    'waiting',
    () =>
      void toast('A newer version of the application is available.', {
        duration: Infinity,
        action: { label: 'Load it', onClick: load },
      }),
  );
  worker.register().then(
    (registration) => setInterval(() => void registration?.update().catch(() => undefined), hour),
    // A browser may refuse. The application then opens only while the server answers.
    () => undefined,
  );
  if (navigator.serviceWorker.controller === null)
    navigator.serviceWorker.addEventListener('controllerchange', () => void keepAnswers(), { once: true });
}

/** Stores answers that arrived before the service worker was active. */
async function keepAnswers(): Promise<void> {
  const jobs = Object.keys(useDocuments.getState().open)
    .map(placeOfKey)
    .filter(({ kind }) => kind === 'jobs')
    .flatMap(({ id }) => [`jobs/${id}`, `jobs/${id}/signatures`]);
  for (const path of ['jobs', 'instruments', 'meter-projects', 'devices', ...jobs])
    await fetch(serverAddress(`api/${path}`)).catch(() => undefined);
}
