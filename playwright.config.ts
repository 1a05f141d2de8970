import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/interface',
  timeout: 45_000,
  expect: { timeout: 8_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['json', { outputFile: 'test-results/playwright.json' }], ['line']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
