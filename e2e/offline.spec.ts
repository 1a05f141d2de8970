import type { StoredDocument } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import type { Page } from '@playwright/test';
import { expect, readNext, stored, test, unreadDivider, type DemoServer } from './demo-page.ts';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' });

/** Opens the readings and waits until the browser has kept what it needs to open them again. */
async function openOnPhone(page: Page, server: DemoServer): Promise<string> {
  const id = await unreadDivider(server);
  await page.goto(`${server.address}/bench/${id}/readings`);
  await expect(page.getByRole('region', { name: 'Open step' })).toBeVisible();
  await expect
    .poll(
      () =>
        page.evaluate(async (job) => {
          if (!navigator.serviceWorker.controller) return false;
          const kept = await caches.open('answers');
          const answers = await Promise.all(
            [`/api/jobs/${job}`, `/api/jobs/${job}/signatures`, '/api/instruments'].map((path) => kept.match(path)),
          );
          return answers.every((one) => one !== undefined);
        }, id),
      { timeout: 60_000 },
    )
    .toBe(true);
  return id;
}

const shown = async (server: DemoServer): Promise<string[]> =>
  ((await stored(server, 'Divider to be read')).document.readings ?? []).map(({ observations }) =>
    observations.map((one) => one.shown).join(),
  );

test('through a dead spot readings are taken on, and handed in afterwards in order, nothing twice', async ({
  page,
  context,
  server,
}) => {
  const id = await openOnPhone(page, server);
  await context.setOffline(true);
  for (const display of ['1.01', '1.02', '1.03']) await readNext(page, display);
  // Opened again without a network: the page, the job and what was entered are there.
  await page.reload();
  await readNext(page, '1.04');
  await page.reload();
  await readNext(page, '1.05');
  expect(await shown(server)).toEqual([]);
  // On the bench another reading is taken meanwhile.
  const bench = (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
  const place = { quantity: 'dc-voltage', instrument: bench.document.instruments![0]!.id, range: '20 V' } as const;
  const own = { id: 'M1', ...place, red: 'B', black: '0', observations: [{ shown: '9.99', unit: 'V' }] };
  const saved = await server.ask('PUT', `/jobs/${id}`, {
    revision: bench.revision,
    document: { ...bench.document, version: 3, readings: [own] },
  });
  expect(saved.status).toBe(200);
  await context.setOffline(false);
  const all = ['9.99', '1.01', '1.02', '1.03', '1.04', '1.05'];
  await expect.poll(() => shown(server), { timeout: 30_000 }).toEqual(all);
  // And it stays so.
  await page.reload();
  await readNext(page, '1.06');
  await expect.poll(() => shown(server), { timeout: 30_000 }).toEqual([...all, '1.06']);
  await page.waitForTimeout(3000);
  expect(await shown(server)).toEqual([...all, '1.06']);
});

test('answers that are lost on the way hand nothing in twice', async ({ page, context, server }) => {
  await openOnPhone(page, server);
  // Every second save arrives, and its answer does not.
  let saves = 0;
  await context.route('**/api/jobs/*/readings', async (route) => {
    saves += 1;
    if (saves % 2 === 0) return route.continue();
    await route.fetch();
    return route.abort();
  });
  const all = ['1.01', '1.02', '1.03', '1.04'];
  for (const display of all) {
    await readNext(page, display);
    await page.waitForTimeout(400);
  }
  // The first save is repeated two seconds after it failed.
  await expect.poll(() => saves).toBeGreaterThan(1);
  await page.reload();
  await expect.poll(() => shown(server), { timeout: 30_000 }).toEqual(all);
  await page.waitForTimeout(3000);
  expect(await shown(server)).toEqual(all);
});

test('it can be installed: a manifest with icons, and a page that opens without the server', async ({
  page,
  context,
  server,
}) => {
  await openOnPhone(page, server);
  const manifest = await page.evaluate(async () => {
    const { href } = document.querySelector<HTMLLinkElement>('link[rel="manifest"]')!;
    return (await (await fetch(href)).json()) as { display: string; icons: { src: string }[] };
  });
  expect(manifest.display).toBe('standalone');
  for (const { src } of manifest.icons) {
    const icon = await page.request.get(`${server.address}/${src}`);
    expect([src, icon.status(), icon.headers()['content-type']]).toEqual([src, 200, expect.stringContaining('image/')]);
  }
  await context.setOffline(true);
  await page.goto(`${server.address}/learn`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.goto(server.address);
  await expect(page.getByRole('link', { name: /^Float-level divider/ })).toBeVisible();
});
