import type { History, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import type { BrowserContext, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { allIsFetched, expect, hearNothing, openJob, saved, test, type DemoServer } from './demo-page.ts';
import { axe } from './workshop.ts';

async function setResistor(page: Page, id: string, value: string): Promise<void> {
  const field = page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: `Resistance of ${id}` });
  await field.fill(value);
  await field.press('Enter');
}
const resistor = (page: Page, id: string) =>
  page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: `Resistance of ${id}` });

/** Opens a job in two windows, the first of which hears nothing, and saves another R2 in the second one. */
async function anotherWindowSaves(page: Page, server: DemoServer, context: BrowserContext): Promise<Page> {
  await hearNothing(page);
  await openJob(page, server, 'Float-level divider', 'Network');
  const other = await context.newPage();
  await other.goto(page.url());
  await setResistor(other, 'R2', '47k');
  await saved(other);
  return other;
}

test('nothing that the screen called saved is lost by a kill in the middle of editing', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  for (let round = 1; round <= 3; round += 1) {
    for (let edit = 0; edit < 4; edit += 1) await setResistor(page, 'R2', `${round}${edit}k`);
    await saved(page);
    await setResistor(page, 'R1', `${round}M`);
    await page.waitForTimeout(200 + 30 * round);
    await server.stop('SIGKILL');
    await server.start();
    const kept = await page.evaluate(async () => {
      const list = (await (await fetch('/api/jobs')).json()) as { id: string; title: string }[];
      const { id } = list.find(({ title }) => title === 'Float-level divider')!;
      return (await (await fetch(`/api/jobs/${id}`)).json()) as {
        document: { network: { elements: { resistance: number }[] } };
      };
    });
    expect(kept.document.network.elements[2]!.resistance).toBe((round * 10 + 3) * 1000);
    await saved(page);
    await page.reload();
    await expect(resistor(page, 'R1')).toHaveValue(new RegExp(`^${round}.MΩ$`));
  }
});

test('without the server edits stay, say so, and are saved when it comes back', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await allIsFetched(page);
  await server.stop('SIGKILL');
  await setResistor(page, 'R2', '47k');
  await expect(page.getByTestId('save')).toContainText('Not saved: the server does not answer');
  await setResistor(page, 'R3', '18k');
  // Steps that were never opened are there all the same.
  await page.getByRole('link', { name: 'True values' }).click();
  await expect(page.getByRole('table', { name: 'Every part' })).toBeVisible();
  await page.getByRole('tab', { name: 'What if' }).click();
  await expect(page.getByRole('slider')).toBeVisible();
  await page.getByRole('link', { name: 'Network' }).click();
  await server.start();
  await saved(page);
  await page.reload();
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
});

test('a save whose answer is lost is no conflict with another window', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  let lost = 0;
  await page.route('**/api/jobs/*', async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.continue();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await setResistor(page, 'R2', '47k');
  await expect(page.getByTestId('save')).toContainText('Not saved: the server does not answer');
  await setResistor(page, 'R3', '18k');
  await saved(page);
  expect(lost).toBe(1);
  await page.reload();
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
});

test('what was typed without the server is there when the window is opened again', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const address = page.url();
  await allIsFetched(page);
  await server.stop('SIGKILL');
  await setResistor(page, 'R2', '47k');
  await page.goto('about:blank');
  await server.start();
  await page.goto(address);
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await saved(page);
});

test('two windows never overwrite each other: both are kept', async ({ page, server, context }) => {
  const other = await anotherWindowSaves(page, server, context);
  await setResistor(page, 'R3', '18k');
  await expect(page.getByRole('alert')).toContainText('changed in another window');
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
  await expect(page.getByRole('alert')).toContainText('resistance of R3: ');
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue(
    'Float-level divider (from this window)',
  );
  await page.getByRole('link', { name: 'Network' }).click();
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
  await expect(resistor(page, 'R2')).toHaveValue(/^39.kΩ$/);
  await other.reload();
  await expect(resistor(other, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(resistor(other, 'R3')).toHaveValue(/^15.kΩ$/);
});

test('two windows: the other version is taken, and mine can be brought back', async ({ page, server, context }) => {
  await anotherWindowSaves(page, server, context);
  await setResistor(page, 'R3', '18k');
  await page.getByRole('button', { name: 'Use theirs' }).click();
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(resistor(page, 'R3')).toHaveValue(/^15.kΩ$/);
  await page.keyboard.press('Control+z');
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
  await expect(resistor(page, 'R2')).toHaveValue(/^39.kΩ$/);
  await saved(page);
});

/** The sample job as the server has it. */
async function divider(server: DemoServer): Promise<StoredDocument<Job>> {
  const list = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  const { id } = list.find(({ title }) => title === 'Float-level divider')!;
  return (await server.ask('GET', `/jobs/${id}`)).json;
}
const resistanceOf = ({ document }: StoredDocument<Job>, id: string): number => {
  const part = document.network.elements.find((element) => element.id === id);
  return part?.kind === 'resistor' ? part.resistance : NaN;
};

test('however often it is loaded again, another window’s version is never overwritten unasked', async ({
  page,
  server,
  context,
}) => {
  await anotherWindowSaves(page, server, context);
  await setResistor(page, 'R3', '18k');
  for (let reload = 0; reload < 3; reload += 1) {
    await expect(page.getByRole('alert')).toContainText('changed in another window');
    await page.waitForTimeout(700);
    const kept = await divider(server);
    expect([resistanceOf(kept, 'R2'), resistanceOf(kept, 'R3')]).toEqual([47_000, 15_000]);
    await page.reload();
  }
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  const kept = await divider(server);
  expect([resistanceOf(kept, 'R2'), resistanceOf(kept, 'R3')]).toEqual([39_000, 18_000]);
  // Theirs stays in the history.
  const { entries } = (await server.ask('GET', `/history/jobs/${kept.id}`)).json as History;
  expect(entries).toHaveLength(3);
});

test('two windows that say the same are not asked about', async ({ page, server, context }) => {
  await anotherWindowSaves(page, server, context);
  await setResistor(page, 'R2', '47k');
  await saved(page);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('an edit is saved although another job is opened before the answer comes', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.route('**/api/jobs/*', async (route) => {
    if (route.request().method() === 'PUT') await new Promise((later) => setTimeout(later, 600));
    await route.continue();
  });
  await setResistor(page, 'R2', '41k');
  await page.waitForTimeout(350);
  await setResistor(page, 'R2', '42k');
  await page.getByRole('link', { name: 'Jobs' }).click();
  await page.getByRole('link', { name: /^Level loop/ }).click();
  await expect.poll(async () => resistanceOf(await divider(server), 'R2')).toBe(42_000);
});

test('a disk that is full is said, the edit stays, and is saved once there is room', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  let full = true;
  await page.route('**/api/jobs/*', (route) =>
    full && route.request().method() === 'PUT'
      ? route.fulfill({ status: 507, json: { error: { status: 507, message: 'Not saved: the disk is full.' } } })
      : route.continue(),
  );
  await setResistor(page, 'R2', '47k');
  await expect(page.getByTestId('save')).toContainText('Not saved: the disk is full. Stored in this browser');
  await page.reload();
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(page.getByTestId('save')).toContainText('Not saved: the disk is full');
  full = false;
  await saved(page);
  expect(resistanceOf(await divider(server), 'R2')).toBe(47_000);
});

test('the history shows what changed, an earlier version beside the present, and restores it', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await setResistor(page, 'R2', '47k');
  await saved(page);
  await setResistor(page, 'R3', '18k');
  await saved(page);
  await page.getByRole('link', { name: 'History' }).click();
  const versions = page.getByRole('complementary', { name: 'Versions' }).getByRole('listitem');
  await expect(versions).toHaveCount(3);
  await expect(versions.nth(0)).toContainText('Parts: resistance of R3: ');
  await versions.nth(2).getByRole('link').click();
  await expect(page.getByRole('img', { name: 'The network, then' })).toContainText('39');
  await expect(page.getByRole('img', { name: 'The network, now' })).toContainText('47');
  await axe(page);
  await page.getByRole('button', { name: 'Restore this version' }).click();
  await expect(versions).toHaveCount(4);
  const kept = await divider(server);
  expect([kept.revision, resistanceOf(kept, 'R2'), resistanceOf(kept, 'R3')]).toEqual([4, 39_000, 15_000]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => resistanceOf(await divider(server), 'R2')).toBe(47_000);
  expect(faults).toEqual([]);
});

test('an archived job is deleted for good only after it is said plainly', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Archive Level loop' }).click();
  await page.getByText('1 archived job').click();
  await page.getByRole('button', { name: 'Delete Level loop for good' }).click();
  await expect(page.getByRole('alert')).toContainText('Only a backup can restore it');
  await axe(page);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Delete Level loop for good' }).click();
  await page.getByRole('button', { name: 'Delete for good', exact: true }).click();
  await expect(page.getByText('archived job')).toHaveCount(0);
  expect((await server.ask('GET', '/jobs/archived')).text).toBe('[]');
  expect(faults).toEqual([]);
});

test('all jobs are exported and imported again from the list', async ({ page, server, faults }) => {
  await page.goto(server.address);
  const download = async (name: string): Promise<{ readonly name: string; readonly path: string }> => {
    await page.getByRole('button', { name: 'Import, export' }).click();
    const file = page.waitForEvent('download');
    await page.getByRole('menuitem', { name }).click();
    return { name: (await file).suggestedFilename(), path: await (await file).path() };
  };
  const archive = await download('Export all jobs');
  expect(archive.name).toBe('usual-drag-jobs.zip');
  await page.getByLabel('Archive of jobs to import').setInputFiles({
    name: 'jobs.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(archive.path),
  });
  await expect(page.getByText('8 jobs imported from jobs.zip.')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Level loop/ })).toHaveCount(2);
  expect(faults).toEqual([]);
});

test('a backup is checked, restored, and what it replaced is brought back, on the screen', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Import, export' }).click();
  await page.getByRole('menuitem', { name: 'Backup and restore' }).click();
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Back up everything' }).click();
  expect((await file).suggestedFilename()).toMatch(/\.backup$/);
  const backup = readFileSync(await (await file).path());

  const damaged = Buffer.from(backup);
  damaged[damaged.length >> 1]! ^= 1;
  const choose = page.getByLabel('Backup to restore');
  await choose.setInputFiles({ name: 'bad.backup', mimeType: 'application/vnd.sqlite3', buffer: damaged });
  await expect(page.getByRole('alert')).toContainText('damaged');
  expect(faults).toHaveLength(1);
  faults.length = 0;
  await choose.setInputFiles({ name: 'good.backup', mimeType: 'application/vnd.sqlite3', buffer: backup });
  const card = page.getByRole('group', { name: 'The checked backup' });
  await expect(card).toContainText('good.backup is sound');
  await expect(card.getByRole('row', { name: /^Jobs/ })).toHaveText('Jobs88');
  await axe(page);
  expect((await server.ask('POST', '/jobs', { document: newJob('Since') })).status).toBe(201);
  await card.getByRole('button', { name: 'Restore this backup' }).click();
  await expect(page.getByRole('link', { name: /^Level loop/ })).toHaveCount(1);
  await expect(page.getByRole('link', { name: /^Since/ })).toHaveCount(0);

  await page.getByRole('button', { name: 'Import, export' }).click();
  await page.getByRole('menuitem', { name: 'Backup and restore' }).click();
  const copy = page.getByRole('table', { name: 'Copies' }).getByRole('row', { name: /before a restoration/ });
  await copy
    .first()
    .getByRole('button', { name: /^Restore the copy/ })
    .click();
  await card.getByRole('button', { name: 'Restore this backup' }).click();
  await expect(page.getByRole('link', { name: /^Since/ })).toHaveCount(1);
  expect(faults).toEqual([]);
});

test('a job that was deleted in another window is kept as one of its own, and asked about once', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Level loop', 'Network');
  const list = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  const { id } = list.find(({ title }) => title === 'Level loop')!;
  await server.ask('DELETE', `/jobs/${id}`);
  await server.ask('DELETE', `/archived/jobs/${id}`);
  const title = page.getByRole('textbox', { name: 'Title of the job' });
  await title.fill('Level loop, mine');
  await title.press('Enter');
  await expect(page.getByRole('alert')).toContainText('deleted in another window');
  await page.getByRole('button', { name: 'Keep mine as a job of its own' }).click();
  await expect(title).toHaveValue('Level loop, mine (from this window)');
  await page.reload();
  await saved(page);
  await page.waitForTimeout(700);
  await expect(page.getByRole('alert')).toHaveCount(0);
});
