import type { Page } from '@playwright/test';
import { expect, openJob, stored, test } from './demo-page.ts';
import { allScreens } from './screens.ts';

/** Notes every control that has left the place where its middle was when it was seen before. */
async function watchControls(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const middles = new Map<Element, { readonly x: number; readonly y: number }>();
    const moved: string[] = [];
    Object.assign(window, { movedControls: moved, lookAfresh: () => middles.clear() });
    const controls = 'button, a[href], summary, input, select, textarea, [role="tab"], [role="radio"]';
    const look = (): void => {
      for (const control of document.querySelectorAll<HTMLElement>(controls)) {
        const { x, y, width, height } = control.getBoundingClientRect();
        if (width * height === 0 || control.closest('svg, .sr-only, [aria-hidden]')) continue;
        const before = middles.get(control);
        middles.set(control, { x: x + width / 2, y: y + height / 2 });
        if (!before || (before.x >= x && before.x <= x + width && before.y >= y && before.y <= y + height)) continue;
        const name = control.getAttribute('aria-label') ?? control.innerText.slice(0, 40);
        moved.push(
          `${name || control.tagName}: its middle was at ${before.x}, ${before.y}, it is now ${width} × ${height} at ${x}, ${y}`,
        );
      }
      requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
}

/** Answers come one after another, as on a slow line. */
async function slowDown(page: Page): Promise<void> {
  let asked = 0;
  await page.route('**/api/**', async (route) => {
    if (route.request().url().includes('/api/events?')) return route.continue();
    const delay = 20 + ((asked += 1) % 5) * 30;
    await new Promise((later) => setTimeout(later, delay));
    await route.continue().catch(() => undefined);
  });
}

/** Returns the controls that moved, once every answer has arrived and a pause is over. */
async function movedOn(page: Page): Promise<string[]> {
  await page.waitForFunction((quiet) => {
    const fetched = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
    const answers = fetched.map(({ responseEnd }) => responseEnd);
    return answers.length > 0 && performance.now() - Math.max(...answers) > quiet;
  }, 250);
  return page.evaluate(() => (window as unknown as { movedControls: string[] }).movedControls.splice(0));
}

for (const share of [0, 1])
  test(`while a page is fetched nothing moves away from under a finger (${share + 1} of 2)`, async ({
    page,
    server,
    faults,
  }) => {
    test.slow();
    await watchControls(page);
    await slowDown(page);
    const screens = (await allScreens(server)).filter(({ open }) => !open).filter((_, at) => at % 2 === share);
    const { id } = (await server.ask('POST', '/jobs', { document: (await stored(server, 'Level loop')).document }))
      .json;
    await server.ask('DELETE', `/jobs/${id}`);
    const found: string[] = [];
    for (const { name, path } of screens) {
      await page.goto(server.address + path);
      found.push(...(await movedOn(page)).map((words) => `${name}: ${words}`));
    }
    expect(found).toEqual([]);
    expect(faults).toEqual([]);
  });

test('nothing moves any more once a step or a page is the present one', async ({ page, server, faults }) => {
  test.slow();
  await watchControls(page);
  await slowDown(page);
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await movedOn(page);
  const found: string[] = [];
  for (const [list, names] of [
    ['Steps', ['Network', 'True values', 'Readings', 'Report', 'Set-ups']],
    ['Pages', ['Kit', 'Workshop', 'Correct', 'Practice', 'Learn', 'Jobs', 'Bench']],
  ] as const)
    for (const name of names) {
      const link = page.getByRole('navigation', { name: list }).getByRole('link', { name });
      await link.click();
      await expect(link).toHaveAttribute('aria-current', 'page');
      await page.evaluate(() => (window as unknown as { lookAfresh: () => void }).lookAfresh());
      found.push(...(await movedOn(page)).map((words) => `${name}: ${words}`));
    }
  expect(found).toEqual([]);
  expect(faults).toEqual([]);
});
