import { isTheFault, makeHunt } from '../packages/core/src/practice/index.ts';
import { violations } from './axe.ts';
import { expect, test } from './demo-page.ts';

test('a hunt on a strip board is probed on the drawing, and ends with the mistake on the board', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/practice/hunt?level=2&seed=5&board=1`);
  const hunt = makeHunt(2, 5, true);
  const drawing = page.getByRole('group', { name: 'Fault-free circuit, with the meter' });
  await expect(page.getByRole('radio', { name: /^Ω/ })).toHaveCount(0);
  // A part that is picked is read across; an ammeter is put in series with it.
  const { id, from, to } = hunt.job.network.elements[1]!;
  await drawing.locator(`[data-part="${id}"]`).click();
  await expect(page.getByText(`Red lead on ${from}, black on ${to}.`)).toBeVisible();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await page.getByRole('radio', { name: /^A costs 3/ }).click();
  await drawing.locator(`[data-part="${id}"]`).click();
  await expect(page.getByText(`In series with ${id}.`)).toBeVisible();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByText('Cost so far: 4')).toBeVisible();
  // Rails: the red lead first, then the black one.
  await page.getByRole('radio', { name: /^V costs 1/ }).click();
  for (const node of [to, from]) await drawing.locator(`[data-rail="${node}"]`).click({ position: { x: 20, y: 13 } });
  await expect(page.getByText(`Red lead on ${to}, black on ${from}.`)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  const named = hunt.candidates.find(({ hypothesis }) => isTheFault(hypothesis, hunt))!;
  await page.getByRole('button', { name: /^Where/ }).click();
  await page.getByRole('option', { name: named.place, exact: true }).click();
  await page.getByRole('button', { name: /^Fault/ }).click();
  await page.getByRole('option', { name: named.name, exact: true }).click();
  await page.getByRole('button', { name: 'Name it' }).click();
  await expect(page.getByText(/^Right:/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'The board as it is built' })).toBeVisible();
  expect(faults).toEqual([]);
});
