import { networkInterfaces } from 'node:os';
import { test as base, type Page } from '@playwright/test';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';
import { violations } from './axe.ts';
import { expect } from './demo-page.ts';

const passphrase = 'brass lamp, wet rope';

/** A server for the whole workshop, by an address that is no loopback where this computer has one: there the line is not private. */
const test = base.extend<{ open: RunningServer & { readonly there: string } }>({
  open: async ({}, use) => {
    const server = await startServer(newFolder(), {
      demo: true,
      env: { HOST: '0.0.0.0', USUAL_DRAG_PASSPHRASE: passphrase },
    });
    const outside = Object.values(networkInterfaces())
      .flatMap((of) => of ?? [])
      .find((one) => !one.internal && one.family === 'IPv4');
    const { port } = new URL(server.address);
    await use({ ...server, there: `http://${outside?.address ?? '127.0.0.1'}:${port}` });
    await server.stop();
  },
});
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

async function signIn(page: Page, address: string, tried = passphrase): Promise<void> {
  await page.goto(address);
  await page.getByLabel('Passphrase of this workshop').fill(tried);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test('a phone says the passphrase once, and is where it wanted to go', async ({ page, open, context }) => {
  const errors: string[] = [];
  page.on('pageerror', ({ message }) => errors.push(message));
  await page.goto(`${open.there}/kit`);
  await expect(page.getByRole('note')).toContainText('This connection is not encrypted');
  expect(await violations(page)).toEqual([]);
  await page.getByLabel('Passphrase of this workshop').fill('wrong');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Wrong passphrase. Ask the person who started the server.');
  await page.getByLabel('Passphrase of this workshop').fill(passphrase);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`${open.there}/kit`);
  await expect(page.getByRole('heading', { name: 'Kit', level: 1 })).toBeVisible();
  // Another page of the same device is not asked again.
  const other = await context.newPage();
  await other.goto(open.there);
  await expect(other.getByRole('link', { name: /^Float-level divider/ })).toBeVisible();
  await expect(other.getByRole('link', { name: 'Devices: this connection is not encrypted' })).toBeVisible();
  expect(errors).toEqual([]);
});

test('over a line that is not private readings, practice and drafts work as well', async ({ page, open }) => {
  const errors: string[] = [];
  page.on('pageerror', ({ message }) => errors.push(message));
  await signIn(page, open.there);
  await page.getByRole('link', { name: /^Level loop/ }).click();
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Readings' }).click();
  const step = page.getByRole('region', { name: 'Open step' });
  for (let k = 0; k < 8 && !(await step.getByRole('textbox').isVisible()); k += 1) {
    await step.getByRole('button', { name: 'Next step' }).click();
    await expect(step).toBeVisible();
  }
  await step.getByRole('textbox').fill('3.2');
  await page.keyboard.press('Enter');
  if (await page.getByText('to store it anyway').isVisible()) await page.keyboard.press('Enter');
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const jobs = (await (await fetch('/api/jobs')).json()) as { id: string; title: string }[];
        const { id } = jobs.find(({ title }) => title === 'Level loop')!;
        const { document } = (await (await fetch(`/api/jobs/${id}`)).json()) as {
          document: { readings?: { observations: { shown: string }[] }[] };
        };
        return document.readings?.map(({ observations }) => observations[0]!.shown);
      }),
    )
    .toEqual(['3.2']);
  await page.goto(`${open.there}/practice/problems?kind=equivalent&level=1&seed=3`);
  await page.getByLabel('Your name').fill('A. Sluice');
  await page.keyboard.press('Enter');
  await page.getByLabel('What resistance does E1 see?').fill('1 Ω');
  await page.keyboard.press('Enter');
  await expect
    .poll(() =>
      page.evaluate(async () => (await (await fetch('/api/practice/attempts?person=A.%20Sluice')).json()) as unknown[]),
    )
    .toHaveLength(1);
  expect(errors).toEqual([]);
});

test('signed out everywhere, an open page says so, keeps what is typed and hands it in afterwards', async ({
  page,
  open,
  browser,
}) => {
  await signIn(page, open.there);
  await page.getByRole('link', { name: /^Float-level divider/ }).click();
  const bench = await browser.newContext();
  const other = await bench.newPage();
  await signIn(other, `${open.there}/devices`);
  await expect(other.getByRole('img', { name: /^QR code of http:/ })).toBeVisible();
  expect(await violations(other)).toEqual([]);
  await other.getByRole('button', { name: 'Sign out everywhere …' }).click();
  await other.getByRole('alert').getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(other.getByLabel('Passphrase of this workshop')).toBeVisible();
  await bench.close();
  await page.getByRole('textbox', { name: 'Title of the job' }).fill('Divider, renamed');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('This device is not signed in.');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByLabel('Passphrase of this workshop').fill(passphrase);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Divider, renamed');
  await expect
    .poll(() =>
      page.evaluate(async () =>
        ((await (await fetch('/api/jobs')).json()) as { title: string }[]).map((one) => one.title),
      ),
    )
    .toContain('Divider, renamed');
});
