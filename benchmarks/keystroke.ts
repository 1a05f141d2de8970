import { chromiumPath } from '../scripts/chromium.mjs';
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { duration, line } from './measure.ts';

const browser = chromiumPath();
const server = 'apps/server/dist/main.js';
const address = 'http://127.0.0.1:4919';
const keys = 60;
/** ms of a frame at 60 Hz. */
const frame = 1000 / 60;

/** Duration of one keystroke, ms. */
interface Keystroke {
  /** From the key to the end of all that it sets off before the frame. */
  readonly script: number;
  /** From the beginning of the frame to its being painted. */
  readonly painting: number;
  /** From the key to the end of the frame in which the drawing has the new value; null if none of the next ten has. */
  readonly drawn: number | null;
}

/**
 * Types into the line of a big network in the real page, in Chromium without a graphics card, and reports what the page's thread
 * has to do until the drawing is painted, as a share of a frame and of what the bare computing takes.
 *
 * @param computing  of one keystroke in this run, s
 */
export async function benchKeystroke(text: string, computing: number): Promise<void> {
  if (browser === undefined || !existsSync(server)) {
    line('  a keystroke, painted', 'no browser, or not built yet: npm run build');
    return;
  }
  const process = serve();
  const chrome = await chromium.launch({
    executablePath: browser,
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  });
  try {
    const page = await chrome.newPage({ viewport: { width: 1280, height: 800 } });
    await openLine(page, text);
    const strokes = await typed(page);
    const median = (of: (stroke: Keystroke) => number): number =>
      strokes.map(of).sort((a, b) => a - b)[strokes.length >> 1]!;
    const work = median(({ script, painting }) => script + painting);
    const drawn = strokes.flatMap((stroke) => stroke.drawn ?? []).sort((a, b) => a - b);
    line(
      `  a keystroke, painted (${duration(work / 1000)}, ${duration(median((s) => s.script) / 1000)} of it script)`,
      `${(work / frame).toFixed(2)} of a frame   ${(work / 1000 / computing).toFixed(1)} × computing it   drawn within ${duration((drawn[drawn.length >> 1] ?? NaN) / 1000)}: ${drawn.length} of ${strokes.length}`,
    );
  } finally {
    await chrome.close();
    process.kill();
  }
}

function serve(): ChildProcess {
  const data = mkdtempSync(join(tmpdir(), 'usual-drag-bench-'));
  const env = { ...process.env, PORT: new URL(address).port, USUAL_DRAG_DATA: data, USUAL_DRAG_DEMO: '1' };
  return spawn(process.execPath, [server], { env, stdio: 'ignore' });
}

/** The line of the first sample job with another network in it, the caret behind a digit of a value. */
async function openLine(page: Page, text: string): Promise<void> {
  for (let tries = 0; tries < 100; tries += 1) {
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok) break;
    await new Promise((later) => setTimeout(later, 100));
  }
  await page.goto(address);
  await page.getByRole('link', { name: /^Float-level divider/ }).click();
  await page.getByRole('link', { name: /^Network/ }).click();
  const field = page.getByRole('textbox', { name: 'Type the network' });
  await field.fill(text);
  const caret = /R\d+ \d/.exec(text)!;
  await field.evaluate(
    (element: HTMLTextAreaElement, at) => element.setSelectionRange(at, at),
    caret.index + caret[0].length,
  );
}

/** Adds a digit and takes it away again, time after time. */
async function typed(page: Page): Promise<Keystroke[]> {
  await page.evaluate(watchKeys);
  for (let key = 0; key < keys + 10; key += 1) {
    await page.keyboard.press(key % 2 === 0 ? '7' : 'Backspace');
    await page.waitForTimeout(150);
  }
  const strokes = await page.evaluate(() => (window as unknown as { strokes: Keystroke[] }).strokes);
  return strokes.slice(10);
}

/** Runs in the page: notes for each key what it took, and whether the next frame had its drawing. */
function watchKeys(): void {
  const strokes: Keystroke[] = [];
  Object.assign(window, { strokes });
  const drawing = (): string => document.querySelector('.drawing')!.textContent;
  let script = 0;
  let begun = 0;
  addEventListener('input', () => (script = performance.now() - begun));
  addEventListener(
    'keydown',
    () => {
      begun = performance.now();
      const before = drawing();
      const { scheduler } = window as unknown as { scheduler: { postTask(run: () => void, how: object): void } };
      // Asked for within a frame, it runs as soon as that has been painted.
      const painted = (run: () => void): void => scheduler.postTask(run, { priority: 'user-blocking' });
      requestAnimationFrame(() => {
        const frameBegun = performance.now();
        painted(() => {
          const painting = performance.now() - frameBegun;
          const own = script;
          const look = (frames: number): void => {
            if (drawing() === before && frames < 10) return void requestAnimationFrame(() => look(frames + 1));
            const isDrawn = drawing() !== before;
            painted(() => strokes.push({ script: own, painting, drawn: isDrawn ? performance.now() - begun : null }));
          };
          look(0);
        });
      });
    },
    { capture: true },
  );
}
