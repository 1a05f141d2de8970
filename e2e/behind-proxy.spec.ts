import type { JobSummary, StoredDocument } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { expect, test as base } from '@playwright/test';
import { freePort } from '../apps/server/src/test/free-port.ts';
import { hasNginx, startNginx } from '../apps/server/src/test/nginx.ts';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';

const passphrase = 'brass lamp, wet rope';

/** A server behind nginx, at a path of its host. */
const test = base.extend<{ proxied: RunningServer & { readonly there: string } }>({
  proxied: async ({}, use) => {
    const port = await freePort();
    const there = `http://127.0.0.1:${port}/drag`;
    const env = { USUAL_DRAG_URL: there, USUAL_DRAG_PASSPHRASE: passphrase };
    const server = await startServer(newFolder(), { demo: true, env });
    const proxy = await startNginx(port, [Number(new URL(server.address).port)], false);
    await use({ ...server, there });
    await proxy.stop();
    await server.stop();
  },
});
test.use({ serviceWorkers: 'allow' });
test.skip(!hasNginx(), 'nginx is not installed.');

test('under a path of a host, everything works as it does at its root, also without a network', async ({
  page,
  context,
  proxied,
}) => {
  const errors: string[] = [];
  page.on('pageerror', ({ message }) => errors.push(message));
  const outside: string[] = [];
  page.on('request', (request) => {
    const { origin, pathname } = new URL(request.url());
    if (proxied.there.startsWith(origin) && !pathname.startsWith('/drag')) outside.push(pathname);
  });
  await page.goto(`${proxied.there}/kit`);
  await page.getByLabel('Passphrase of this workshop').fill(passphrase);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`${proxied.there}/kit`);
  await expect(page.getByRole('heading', { name: 'Kit', level: 1 })).toBeVisible();

  // Links, an edit, and the page of a step opened again.
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await page.getByRole('link', { name: /^Float-level divider/ }).click();
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Network' }).click();
  await expect(page).toHaveURL(/\/drag\/bench\/[^/]+\/network$/);
  const field = page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: 'Resistance of R2' });
  await field.fill('1234');
  await field.press('Enter');
  await expect(page.getByTestId('save')).toHaveText(/^Saved/);
  await page.reload();
  await expect(field).toHaveValue(/1\.234\skΩ/);

  // The guide, its pictures and the links of its text.
  await page.keyboard.press('g');
  await page.keyboard.press('h');
  await expect(page).toHaveURL(/\/drag\/help\/network/);
  const picture = page.getByRole('article').getByRole('img').first();
  await picture.scrollIntoViewIfNeeded();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(100);
  const link = page.getByRole('article').getByRole('link').first();
  expect(await link.getAttribute('href')).toMatch(/^\/drag\/help\//);
  await link.click();
  await expect(page).toHaveURL(new RegExp(`/drag/help/`));

  // A change that another device makes is shown.
  await page.goto(`${proxied.there}/`);
  const cookies = await context.cookies();
  expect(cookies.map(({ path }) => path)).toEqual(cookies.map(() => '/drag/'));
  const headers = { cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; ') };
  const jobs = (await proxied.ask('GET', '/jobs', undefined, headers)).json as JobSummary[];
  const { id } = jobs.find(({ title }) => title?.startsWith('Float-level divider'))!;
  const { revision, document } = (await proxied.ask('GET', `/jobs/${id}`, undefined, headers))
    .json as StoredDocument<Job>;
  const renamed = { revision, document: { ...document, title: 'Renamed elsewhere' } };
  expect((await proxied.ask('PUT', `/jobs/${id}`, renamed, headers)).status).toBe(200);
  await expect(page.getByRole('link', { name: /^Renamed elsewhere/ })).toBeVisible();

  // Kept by the browser, below the same path.
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const registration = await navigator.serviceWorker.getRegistration();
          return navigator.serviceWorker.controller && registration ? new URL(registration.scope).pathname : null;
        }),
      { timeout: 60_000 },
    )
    .toBe('/drag/');
  await page.goto(`${proxied.there}/bench/${id}/network`);
  await expect(field).toHaveValue(/1\.234\skΩ/);
  await expect
    .poll(() => page.evaluate(async (path) => (await caches.match(path)) !== undefined, `/drag/api/jobs/${id}`), {
      timeout: 60_000,
    })
    .toBe(true);
  await context.setOffline(true);
  await page.reload();
  await expect(field).toHaveValue(/1\.234\skΩ/);
  expect(outside).toEqual([]);
  expect(errors).toEqual([]);
});
