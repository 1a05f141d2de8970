import { expect, test as base } from '@playwright/test';
import { hasPostgres, startCluster, type PostgresCluster } from '../apps/server/src/test/postgres-cluster.ts';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';
import { violations } from './axe.ts';

interface Shared {
  readonly cluster: PostgresCluster;
  readonly servers: readonly [RunningServer, RunningServer];
}

/** Two servers that share a PostgreSQL database. */
const test = base.extend<{ shared: Shared }>({
  shared: async ({}, use) => {
    const cluster = await startCluster(false);
    const env = { DATABASE_URL: await cluster.create('workshop') };
    const first = await startServer(newFolder(), { demo: true, env });
    const second = await startServer(newFolder(), { env });
    await use({ cluster, servers: [first, second] });
    await Promise.all([first.stop(), second.stop()]);
    await cluster.remove();
  },
});
test.skip(!hasPostgres(), 'PostgreSQL is not installed.');

test('an edit on one server is on the pages of the other one; without the database, it is saved later', async ({
  page,
  context,
  shared: { cluster, servers },
}) => {
  const errors: string[] = [];
  const other = await context.newPage();
  for (const one of [page, other]) one.on('pageerror', ({ message }) => errors.push(message));
  await page.goto(servers[0].address);
  await page.getByRole('link', { name: /^Float-level divider/ }).click();
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Network' }).click();
  const fieldOn = (one: typeof page) =>
    one.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: 'Resistance of R2' });
  await expect(fieldOn(page)).toBeVisible();
  await other.goto(servers[1].address + new URL(page.url()).pathname);
  await expect(fieldOn(other)).toBeVisible();
  const set = async (value: string): Promise<void> => {
    await fieldOn(page).fill(value);
    await fieldOn(page).press('Enter');
  };
  await set('1234');
  await expect(fieldOn(other)).toHaveValue(/1\.234\skΩ/);
  await expect(page.getByTestId('save')).toHaveText(/^Saved/);

  await cluster.kill();
  await set('2345');
  await expect(page.getByTestId('save')).toContainText('retrying');
  await cluster.start();
  await expect(page.getByTestId('save')).toHaveText(/^Saved/, { timeout: 60_000 });
  await expect(fieldOn(other)).toHaveValue(/2\.345\skΩ/, { timeout: 60_000 });
  expect(errors).toEqual([]);
});

test('About and Backup name the database, and how it is backed up', async ({ page, shared: { servers } }) => {
  await page.goto(`${servers[1].address}/about`);
  const main = page.getByRole('main');
  await expect(main).toContainText(/PostgreSQL \d+/);
  await expect(main).toContainText(/127\.0\.0\.1:\d+\/workshop/);
  await expect(main).not.toContainText('Last copy');
  await page.goto(`${servers[1].address}/backup`);
  await expect(main).toContainText('Its own tools back it up and restore it: pg_dump and pg_restore.');
  await expect(page.getByRole('button', { name: 'Back up everything' })).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  await main.getByRole('link', { name: 'What to do' }).click();
  await expect(page).toHaveURL(/\/help\/running#postgresql$/);
});
