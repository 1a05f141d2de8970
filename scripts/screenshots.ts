// npm run screenshots: takes docs/screenshots from the demo data, in a folder of its own.
import { chromiumPath } from './chromium.mjs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { newFolder, startServer } from '../apps/server/src/test/running-server.ts';

const root = join(import.meta.dirname, '..');
const address = 'http://127.0.0.1:8471';

const views: readonly {
  readonly name: string;
  readonly job?: RegExp;
  readonly take: (page: Page) => Promise<unknown>;
}[] = [
  { name: 'jobs', take: () => Promise.resolve() },
  { name: 'setups', job: /^Float-level/, take: () => Promise.resolve() },
  {
    name: 'network',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Network' }).click();
      await page
        .getByRole('button', { name: /^R3 15/ })
        .locator('text')
        .first()
        .click();
    },
  },
  {
    name: 'readings',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Readings' }).click();
      await page
        .getByRole('list', { name: 'Steps of the plan' })
        .getByRole('button', { name: /Voltage C to 0/ })
        .click();
    },
  },
  {
    name: 'diagnosis',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Readings' }).click();
      await page.getByRole('tab', { name: 'Diagnosis' }).click();
      await page.getByRole('grid', { name: 'Explanations, best first' }).waitFor();
    },
  },
  {
    name: 'large-view',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Readings' }).click();
      await page
        .getByRole('list', { name: 'Steps of the plan' })
        .getByRole('button', { name: /Current at 0 into R4/ })
        .click();
      await page.getByRole('button', { name: 'Large view' }).click();
    },
  },
  {
    name: 'true-values',
    job: /^Float-level/,
    take: (page) => page.getByRole('link', { name: 'True values' }).click(),
  },
  {
    name: 'working',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'True values' }).click();
      await page.getByRole('tab', { name: 'Working' }).click();
      await page.getByRole('button', { name: /^2 R2/ }).click();
    },
  },
  {
    name: 'board',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: /^Network/ }).click();
      await page.getByRole('tab', { name: 'Strip board' }).click();
      await page.getByRole('button', { name: 'Place automatically' }).click();
      await page.getByRole('textbox', { name: 'Type positions' }).fill('R3 8a 13a');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Move it to row 14 left' }).focus();
    },
  },
  {
    name: 'loading-map',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('tab', { name: 'Loading map' }).click();
      await page.getByRole('table', { name: 'Loading map' }).waitFor();
    },
  },
  {
    name: 'report',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Report' }).click();
      await page.getByRole('checkbox', { name: 'Supply off' }).check();
      await page
        .getByText(/Two digits of M8 were exchanged/)
        .first()
        .waitFor();
    },
  },
  {
    name: 'correct',
    take: async (page) => {
      await page.getByRole('link', { name: 'Correct' }).click();
      await page.getByRole('button', { name: 'Instrument' }).click();
      await page.getByRole('option', { name: /^Old/ }).click();
      await page.getByRole('button', { name: /^Range \d/ }).click();
      await page.getByRole('option', { name: /^2.5/ }).click();
      for (const [name, value] of [
        ['Read', '1.6'],
        ['Source resistance', '14.86k'],
        ['Reading 1', '1.6'],
        ['Reading 2', '3.64'],
      ] as const)
        await page.getByRole('textbox', { name, exact: true }).fill(value);
      await page.keyboard.press('Tab');
      await page.waitForTimeout(800);
    },
  },
  {
    name: 'devices',
    take: async (page) => {
      await page.goto(`${workshop.address}/devices`);
      await page.getByLabel('Passphrase of this workshop').fill(passphrase);
      await page.keyboard.press('Enter');
      await page.getByLabel('Your name').fill('B. Wader');
      await page.keyboard.press('Enter');
      await page.getByLabel('Your name').blur();
      await page.getByRole('img', { name: /^QR code/ }).waitFor();
    },
  },
  {
    name: 'workshop',
    take: async (page) => {
      await page.getByRole('link', { name: 'Workshop' }).click();
      await page.getByText('Solved as a network').waitFor();
    },
  },
  {
    name: 'kit',
    take: async (page) => {
      await page.getByRole('link', { name: 'Kit' }).click();
      await page.getByRole('button', { name: /^Plant/ }).click();
      await page.getByRole('link', { name: /check against a standard/ }).click();
      await page.getByRole('button', { name: /^Range DC/ }).click();
      await page.getByRole('option', { name: /^DC volts, 50 V/ }).click();
      await page.getByLabel('U of the standard, k = 2').fill('2 mV');
      for (const [point, indicated] of ['5.004', '13.011', '25.018'].entries()) {
        await page.getByLabel(`Indicated at point ${point + 1}`).fill(indicated);
        await page.keyboard.press('Enter');
      }
    },
  },
  {
    name: 'practice',
    take: async (page) => {
      await page.goto(`${address}/practice/problems?kind=voltmeter&level=2&seed=7`);
      await page.getByLabel('What does V1 indicate?').fill('1.3552 V');
      await page.keyboard.press('Enter');
      for (const hint of ['Hint', 'Next hint', 'Next hint']) await page.getByRole('button', { name: hint }).click();
    },
  },
  {
    name: 'fault-hunt',
    take: async (page) => {
      await page.goto(`${address}/practice/hunt?level=2&seed=5`);
      await page.getByRole('button', { name: 'Read', exact: true }).click();
      await page.getByRole('button', { name: /^Where/ }).click();
      await page.getByRole('option', { name: 'E1' }).click();
      await page.getByRole('button', { name: /^Fault/ }).click();
      await page.getByRole('option', { name: 'set to another voltage' }).click();
      await page.getByRole('button', { name: 'Name it' }).click();
    },
  },
  {
    name: 'order',
    take: async (page) => {
      await page.getByRole('link', { name: 'Order SL-WO-2236', exact: true }).click();
      await page.getByRole('table', { name: 'Resistances from every circuit' }).waitFor();
    },
  },
  {
    name: 'learn',
    job: /^Float-level/,
    take: async (page) => {
      await page.getByRole('link', { name: 'Learn' }).click();
      await page.getByRole('region', { name: 'Live figures' }).waitFor();
    },
  },
];

const passphrase = 'four words of ours';
/** One that lets the whole workshop in. */
const workshop = await startServer(newFolder(), {
  demo: true,
  env: { HOST: '0.0.0.0', USUAL_DRAG_PASSPHRASE: passphrase },
});
const server = await startServer(newFolder(), { demo: true, port: 8471 });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: ['--headless', '--no-sandbox', '--disable-gpu'],
});
try {
  for (const view of views) await shoot(view);
} finally {
  await browser.close();
  await server.stop();
  await workshop.stop();
}

async function shoot({ name, job, take }: (typeof views)[number]): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The first minute is over.
  await page.addInitScript({
    content: `localStorage.setItem('usual-drag-first-minute', '{"state":{"done":true},"version":0}')`,
  });
  await page.goto(address);
  if (job) await page.getByRole('link', { name: job }).click();
  await page.getByRole('link').first().waitFor();
  await take(page);
  // The state of each step is computed after the first paint.
  const steps = page.getByRole('navigation', { name: 'Steps' });
  if ((await steps.count()) > 0) await steps.getByText(/signed/).waitFor();
  await page.mouse.move(0, 0);
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
  await page.close();
}
