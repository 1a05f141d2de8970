import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { violations } from './axe.ts';
import { expect, openJob, test } from './demo-page.ts';

test('Help opens the page of the guide about the open step, with its pictures and links', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('link', { name: 'Help', exact: true }).click();
  const article = page.getByRole('article');
  await expect(article.getByRole('heading', { level: 1 })).toHaveText('Set-ups');
  const picture = article.getByRole('img').first();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(1000);
  // By its key, from another page; links lead to other pages of the guide.
  await page.goto(`${server.address}/practice`);
  await expect(page.getByRole('heading', { name: 'Practice', level: 1 })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('h');
  await expect(article.getByRole('heading', { level: 1 })).toHaveText('Practice');
  await page.getByRole('navigation', { name: 'Pages of the guide' }).getByRole('link', { name: 'Guide' }).click();
  await article.getByRole('link', { name: 'Running Usual Drag' }).click();
  await article.getByRole('link', { name: 'Installation' }).first().click();
  await expect(article.getByRole('heading', { level: 1 })).toHaveText('Installation');
  await expect(article.getByRole('table').first()).toContainText('usual-drag.cmd');
  await page.goBack();
  await expect(article.getByRole('heading', { level: 1 })).toHaveText('Running Usual Drag');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('the palette finds what the guide is about', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Page, job, step, view or action').fill('undoing upgrade');
  await page.getByRole('option', { name: /^Undoing an upgrade/ }).click();
  await expect(page).toHaveURL(/\/help\/running#undoing-an-upgrade$/);
  await expect(page.locator('#undoing-an-upgrade')).toBeInViewport();
  expect(faults).toEqual([]);
});

test('every message links to a place that is in the guide', async ({ page, server, faults }) => {
  const sources = readdirSync('apps/web/src', { recursive: true, encoding: 'utf8' }).filter((name) =>
    /\.tsx?$/.test(name),
  );
  const targets = new Set(
    sources.flatMap((name) =>
      [...readFileSync(join('apps/web/src', name), 'utf8').matchAll(/['"]([a-z-]+)#([a-z-]+)['"]/g)].map(
        ([, guidePage, place]) => `${guidePage}#${place}`,
      ),
    ),
  );
  expect(targets.size).toBeGreaterThanOrEqual(5);
  for (const target of targets) {
    await page.goto(`${server.address}/help/${target}`);
    await expect(page.locator(`#${target.split('#')[1]}`)).toBeInViewport();
  }
  expect(faults).toEqual([]);
});

test('About shows the version, the data and the licences, and saves a report for support', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('a');
  await expect(page.getByText(server.folder, { exact: true })).toBeVisible();
  const report = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save a report for support' }).click();
  const text = readFileSync(await (await report).path(), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ contents: { jobs: 8 }, data: { folder: server.folder } });
  expect(text).not.toContain('Float-level');
  const licences = await page.request.get(`${server.address}/licences.txt`);
  expect(await licences.text()).toMatch(/^react \d+\.\d+\.\d+: MIT$/m);
  expect(faults).toEqual([]);
});

test('a warning of the server is shown with what to do', async ({ page, server, faults }) => {
  const message =
    'Only 120 MB are free on the disk of /data. Free some space: nothing can be saved once the disk is full.';
  await page.route('**/api/health', (route) =>
    route.fulfill({ json: { status: 'ready', warnings: [{ about: 'disk-space', message }] } }),
  );
  await page.goto(server.address);
  const note = page.getByRole('note').filter({ hasText: '120 MB' });
  await note.getByRole('link', { name: /^What to do/ }).click();
  await expect(page.locator('#the-disk-is-nearly-full')).toBeInViewport();
  expect(faults).toEqual([]);
});
