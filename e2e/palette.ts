import { expect, type Page } from '@playwright/test';

/** Buttons of a screen beside what the command palette lists on it. */
export interface PaletteCheck {
  readonly buttons: number;
  readonly missing: readonly string[];
}

const button = /^\s*- (?:'?)(?:button|tab) "((?:[^"\\]|\\.)*)"(?!.*\[disabled\])/gm;

/** Compares the accessible names of all buttons and tabs on the screen with the names that the palette lists. */
export async function checkPalette(page: Page): Promise<PaletteCheck> {
  const seen = (await page.locator('#root').ariaSnapshot()).matchAll(button);
  const names = [...seen].map(([, quoted]) => plain(JSON.parse(`"${quoted!}"`) as string));
  await page.keyboard.press('Control+k');
  const search = page.getByRole('combobox', { name: 'Commands' });
  await expect(search).toBeFocused();
  const listed = new Set(await optionsOf(page));
  await search.fill('on this screen');
  await expect(page.getByRole('group', { name: 'On this screen' }).getByRole('option')).not.toHaveCount(0);
  for (const name of await optionsOf(page)) listed.add(name);
  await page.keyboard.press('Escape');
  await expect(search).toHaveCount(0);
  return { buttons: names.length, missing: names.filter((name) => !listed.has(name)) };
}

/** The names of what the palette lists now, without their keys. */
const optionsOf = async (page: Page): Promise<string[]> =>
  (
    await page
      .getByRole('option')
      .evaluateAll((options) => options.map((option) => option.firstChild?.textContent ?? ''))
  ).map(plain);

/** A name without what its spelling on the screen does not change. */
const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();
