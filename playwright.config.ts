import { defineConfig } from '@playwright/test';
import { chromiumPath } from './scripts/chromium.mjs';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/interface',
  // A busy machine takes several times as long as a quiet one; nothing waits for these where all is well.
  timeout: 150_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['json', { outputFile: 'test-results/playwright.json' }], ['line']],
  use: {
    viewport: { width: 1280, height: 800 },
    // The simulated display wanders otherwise; tests of it allow motion.
    contextOptions: { reducedMotion: 'reduce' },
    // Answers of a test in the server's place must reach the page; tests of the service worker allow it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
