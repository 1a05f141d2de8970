import type { Page } from '@playwright/test';
import { allIsFetched, expect, openJob, saved, test } from './demo-page.ts';

async function setResistor(page: Page, id: string, value: string): Promise<void> {
  const field = page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: `Resistance of ${id}` });
  await field.fill(value);
  await field.press('Enter');
}
const resistor = (page: Page, id: string) =>
  page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: `Resistance of ${id}` });

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
  await expect(page.getByTestId('save')).toContainText('not saved: no answer from the server');
  await setResistor(page, 'R3', '18k');
  // Stations that were never opened are there all the same.
  await page.getByRole('link', { name: 'True values' }).click();
  await expect(page.getByRole('heading', { name: 'Every part' })).toBeVisible();
  await page.getByRole('radio', { name: 'What if' }).click();
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
  await expect(page.getByTestId('save')).toContainText('not saved: no answer from the server');
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

test('two windows never overwrite each other: mine becomes a job of its own', async ({ page, server, context }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const other = await context.newPage();
  await other.goto(page.url());
  await setResistor(other, 'R2', '47k');
  await saved(other);
  await setResistor(page, 'R3', '18k');
  await expect(page.getByRole('alert')).toContainText('changed in another window');
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
  await page.getByRole('button', { name: 'Keep mine as a job of its own' }).click();
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
  await openJob(page, server, 'Float-level divider', 'Network');
  const other = await context.newPage();
  await other.goto(page.url());
  await setResistor(other, 'R2', '47k');
  await saved(other);
  await setResistor(page, 'R3', '18k');
  await page.getByRole('button', { name: 'Take the other version' }).click();
  await expect(resistor(page, 'R2')).toHaveValue(/^47.kΩ$/);
  await expect(resistor(page, 'R3')).toHaveValue(/^15.kΩ$/);
  await page.keyboard.press('Control+z');
  await expect(resistor(page, 'R3')).toHaveValue(/^18.kΩ$/);
  await expect(resistor(page, 'R2')).toHaveValue(/^39.kΩ$/);
  await saved(page);
});
