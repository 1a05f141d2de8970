import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { violations } from './axe.ts';
import { expect } from './demo-page.ts';

/** Goes to the workshop, and opens a meter project. */
export async function open(page: Page, design?: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Workshop' }).click();
  if (design) await page.getByRole('button', { name: design }).click();
}

/** Turns to a sheet of the design that is open. */
export const sheet = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Sheets' }).getByRole('link', { name }).click();

/** Types a value into a field and takes it. */
export async function type(page: Page, name: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(value);
  await field.press('Enter');
}

/** Returns the text of the file that a button saves. */
export async function fileOf(page: Page, button: string): Promise<string> {
  const download: Promise<Download> = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFileSync(await (await download).path(), 'utf8');
}

/** axe finds nothing on the page. */
export const axe = async (page: Page): Promise<void> => expect(await violations(page)).toEqual([]);
