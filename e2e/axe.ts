import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { AxeResults, RunOptions } from 'axe-core';

/** The page's content policy refuses a script tag: the source is evaluated instead. */
const source = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Rules of WCAG 2.2 at level AA. */
export const levelAA: RunOptions = {
  runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] },
};

interface Axe {
  run(context: Document, options: RunOptions): Promise<AxeResults>;
}

/**
 * Returns the violations that axe finds on the open page, each with the HTML of its elements. The script is loaded once per
 * document.
 */
export async function violations(page: Page, options: RunOptions = {}): Promise<string[]> {
  const isLoaded = await page.evaluate(() => 'axe' in window);
  if (!isLoaded) await page.evaluate(source);
  const found = await page.evaluate(async (chosen) => {
    const { axe } = window as unknown as { axe: Axe };
    const { violations } = await axe.run(document, { ...chosen, resultTypes: ['violations'] });
    return violations.map(({ id, nodes }) => ({ id, html: nodes.map(({ html }) => html) }));
  }, options);
  return found.map(({ id, html }) => `${id}: ${html.join(' | ')}`);
}
