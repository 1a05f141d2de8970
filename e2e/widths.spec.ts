import type { Page } from '@playwright/test';
import { levelAA, violations } from './axe.ts';
import { expect, figure, stored, test } from './demo-page.ts';
import { checkPalette } from './palette.ts';
import { allScreens, moveTo, openScreen } from './screens.ts';

const widths = { desk: [1280, 800], tablet: [834, 1112], phone: [390, 844] } as const;

/** Returns the faults of the page at this width: it scrolls sideways, or a control is too small for a finger. */
const misfits = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const wrong: string[] = [];
    const { scrollWidth } = document.documentElement;
    if (scrollWidth > window.innerWidth) wrong.push(`the page is ${scrollWidth} px wide`);
    for (const part of document.querySelectorAll('main, aside'))
      if (part.scrollWidth > part.clientWidth + 1 && !part.querySelector(':scope > .drawing'))
        wrong.push(`${part.tagName} is ${part.scrollWidth} px wide in ${part.clientWidth}`);
    const controls = 'button, a[href], input, select, textarea, [role="tab"], [role="radio"], [role="checkbox"]';
    for (const control of document.querySelectorAll<HTMLElement>(controls)) {
      if (control.closest('[hidden], .sr-only, svg') || control.offsetParent === null) continue;
      const boxes = [control, control.closest('label')].flatMap((box) => box?.getBoundingClientRect() ?? []);
      const [width, height] = [Math.max(...boxes.map((b) => b.width)), Math.max(...boxes.map((b) => b.height))];
      if (width > 0 && (width < 23.5 || height < 23.5))
        wrong.push(`${control.getAttribute('aria-label') ?? control.innerText}: ${width} × ${height} px`);
    }
    return wrong;
  });

/** Waits until drawings have taken the new size of their places: they follow it a frame later. */
const fitted = (page: Page): Promise<unknown> =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));

/** The screens are divided among so many tests, which run side by side. */
const shares = 4;

/**
 * At 1280 px in the light theme, at 390 px in the dark one: each layout and each theme is checked once by axe. The width between
 * them has the layout of one of the two.
 */
for (let share = 0; share < shares; share += 1)
  test(`every screen: widths, sizes of controls, axe and the palette (${share + 1} of ${shares})`, async ({
    page,
    server,
    faults,
  }) => {
    test.slow();
    const found: string[] = [];
    const screens = (await allScreens(server)).filter((_, at) => at % shares === share);
    let buttons = 0;
    let last: (typeof screens)[number] | null = null;
    for (const screen of screens) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.emulateMedia({ colorScheme: 'light' });
      // What was opened on a screen is closed by loading the next one.
      if (last && !last.open) await moveTo(page, server, screen);
      else await openScreen(page, server, screen);
      last = screen;
      const note = (where: string, what: readonly string[]): void => {
        found.push(...what.map((words) => `${screen.name}, ${where}: ${words}`));
      };
      for (const [name, [width, height]] of Object.entries(widths)) {
        await page.setViewportSize({ width, height });
        await fitted(page);
        note(name, await misfits(page));
        if (name === 'tablet') continue;
        // A dialog over the page has its own few buttons, and its own keys. The screen may not be complete at once.
        if (name === 'desk' && (await page.getByRole('main').first().isVisible()))
          await expect
            .poll(async () => {
              const check = await checkPalette(page);
              buttons += check.buttons;
              return check.missing;
            }, screen.name)
            .toEqual([]);
        if (name === 'phone') await page.emulateMedia({ colorScheme: 'dark' });
        note(name, await violations(page, levelAA));
      }
    }
    expect(screens.length).toBeGreaterThan(10);
    expect(buttons).toBeGreaterThan(10 * screens.length);
    expect(found).toEqual([]);
    expect(faults).toEqual([]);
  });

test.describe('on a touch screen', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('a phone finds a job and reads its meter', async ({ page, server }) => {
    await page.goto(server.address);
    await page.getByRole('searchbox', { name: 'Find a job' }).fill('SL-014');
    await page.getByRole('link', { name: /^Float-level/ }).tap();
    await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(3.653, 2);
    await expect(page.getByTestId('indicated')).toBeInViewport();
    const button = (await page.getByRole('button', { name: 'Meters' }).boundingBox())!;
    expect(button.height).toBeGreaterThanOrEqual(44);
  });

  test('the bench is one page to scroll; the drawing opens full screen', async ({ page, server }) => {
    const id = (await stored(server, 'Float-level')).id;
    for (const step of ['network', 'setups/S-1', 'readings', 'network/board']) {
      await page.goto(`${server.address}/bench/${id}/${step}`);
      await expect(page.locator('.drawing')).toBeVisible();
      if (step === 'readings')
        await page
          .getByRole('button', { name: /Small view|Close the large view|^Back/ })
          .first()
          .tap();
      const inside = await page.evaluate(() =>
        [...document.querySelectorAll('main, aside, main *, aside *')]
          .filter(
            (one) => /auto|scroll/.test(getComputedStyle(one).overflowY) && one.scrollHeight > one.clientHeight + 1,
          )
          .map((one) => one.getAttribute('aria-label') ?? one.className.toString()),
      );
      expect(inside.filter((name) => !name.includes('drawing'))).toEqual([]);
    }
    const height = async (): Promise<number> => (await page.locator('.drawing').boundingBox())!.height;
    await page.goto(`${server.address}/bench/${id}/setups/S-1`);
    const before = await height();
    await page.getByRole('button', { name: 'Full screen' }).tap();
    await expect(page.getByRole('complementary', { name: 'Step' })).toBeHidden();
    expect(await height()).toBeGreaterThan(1.6 * before);
    await page.getByRole('button', { name: 'Show the panel' }).tap();
    await expect(page.getByTestId('indicated')).toBeInViewport();
  });

  test('two fingers change the scale of the drawing, one moves it', async ({ page, server, context }) => {
    await page.goto(server.address);
    await page.getByRole('link', { name: /^Float-level/ }).tap();
    const drawing = page.locator('.drawing');
    await expect(drawing).toBeVisible();
    const scale = async (): Promise<number> => Number(await drawing.getAttribute('data-scale'));
    const before = await scale();
    const box = (await drawing.boundingBox())!;
    const [x, y] = [box.x + 90, box.y + box.height - 30];
    const touch = await context.newCDPSession(page);
    const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: readonly (readonly [number, number])[]) =>
      touch.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: points.map(([px, py], id) => ({ x: px, y: py, id })),
      });
    await send('touchStart', [
      [x - 20, y],
      [x + 20, y],
    ]);
    for (const apart of [30, 45, 60, 75])
      await send('touchMove', [
        [x - apart, y],
        [x + apart, y],
      ]);
    await send('touchEnd', []);
    await expect.poll(scale).toBeGreaterThan(before * 1.5);
    const left = (): Promise<number> => drawing.evaluate((element) => element.scrollLeft);
    const start = await left();
    await send('touchStart', [[x + 60, y]]);
    for (const dx of [10, 25, 40, 60]) await send('touchMove', [[x + 60 - dx, y]]);
    await send('touchEnd', []);
    await expect.poll(left).toBeGreaterThan(start + 30);
  });
});
