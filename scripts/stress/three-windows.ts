import type { History, JobSummary, StoredDocument } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { chromium, type Page } from '@playwright/test';
import { newFolder, startServer } from '../../apps/server/src/test/running-server.ts';
import { chromiumPath } from '../chromium.mjs';
import { hasStackTrace, type Finding } from './finding.ts';

/**
 * Three windows that edit one job, now and then loaded again in the middle, each question answered one way or the other: what a
 * window called saved must be the present version or in the history, and so must what was set aside.
 */
export async function threeWindows(rounds: number): Promise<Finding> {
  const server = await startServer(newFolder(), { demo: true });
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-sync'],
  });
  const context = await browser.newContext();
  const [{ id }] = (await server.ask('GET', '/jobs')).json as [JobSummary];
  const windows = await Promise.all([0, 1, 2].map(() => context.newPage()));
  for (const page of windows) await page.goto(`${server.address}/bench/${id}/network`);
  const acknowledged = new Set<number>();
  let asked = 0;
  for (let round = 0; round < rounds; round += 1) {
    const values = windows.map((_, at) => 1000 + round * 10 + at);
    await Promise.all(
      windows.map(async (page, at) => {
        await setResistor(page, values[at]!);
        if ((round + at) % 5 === 0) await page.reload();
      }),
    );
    for (const [at, page] of windows.entries()) {
      const question = page.getByRole('alert');
      const saved = page.getByTestId('save').filter({ hasText: /^Saved/ });
      await question.or(saved).first().waitFor({ timeout: 30_000 });
      // While one question is answered another window may save again: then there is a newer version to be asked about.
      for (let again = 0; again < 20 && (await question.isVisible()); again += 1) {
        asked += 1;
        await question.getByRole('button', { name: round % 2 === 0 ? 'Keep mine' : 'Use theirs' }).click();
        await page.waitForTimeout(400);
        await question.or(saved).first().waitFor({ timeout: 30_000 });
      }
      // What is on the screen now is called saved; what was not taken was set aside.
      acknowledged.add(await shownResistance(page));
      acknowledged.add(values[at]!);
    }
  }
  await new Promise((later) => setTimeout(later, 1500));
  await browser.close();
  const kept = new Set<number>();
  const present = (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
  kept.add(resistanceOf(present.document));
  for (let before: number | null | undefined; before !== null;) {
    const page = (await server.ask('GET', `/history/jobs/${id}${before === undefined ? '' : `?before=${before}`}`))
      .json as History;
    for (const { entry } of page.entries)
      if (entry !== null) {
        const version = (await server.ask('GET', `/history/jobs/${id}/${entry}`)).json as StoredDocument<Job>;
        kept.add(resistanceOf(version.document));
      }
    before = page.before;
  }
  await server.stop();
  const lost = [...acknowledged].filter((value) => !kept.has(value)).length;
  const tried = `${rounds} rounds of edits, ${asked} questions answered, ${acknowledged.size} versions called saved or set aside`;
  return { name: 'Three windows', tried, lost, faults: 0, stackTraces: hasStackTrace(server.output()) ? 1 : 0 };
}

const field = (page: Page) =>
  page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: 'Resistance of R2' });

async function setResistor(page: Page, ohms: number): Promise<void> {
  await field(page).fill(String(ohms));
  await field(page).press('Enter');
}

async function shownResistance(page: Page): Promise<number> {
  const [, digits, prefix] = /([\d.]+)\s*(k?)Ω/.exec(await field(page).inputValue())!;
  return Math.round(Number(digits) * (prefix ? 1000 : 1));
}

function resistanceOf({ network }: Job): number {
  const part = network.elements.find(({ id }) => id === 'R2');
  return part?.kind === 'resistor' ? part.resistance : NaN;
}
