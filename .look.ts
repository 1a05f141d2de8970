import { chromium } from '@playwright/test';
const [out, act, widths = '1280', themes = 'light'] = process.argv.slice(2);
const { default: run } = await import(act!);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--headless','--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'] });
for (const width of widths.split(',')) for (const theme of themes.split(',')) {
  const context = await browser.newContext({ viewport: { width: Number(width), height: Number(width) < 500 ? 844 : Number(width) < 900 ? 1112 : 800 }, colorScheme: theme as 'light', serviceWorkers: 'block', hasTouch: Number(width) < 900 });
  const page = await context.newPage();
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  page.on('pageerror', (e) => console.log('ERROR', e.message));
  await run(page);
  await page.screenshot({ path: out!.replace('.png', `-${width}-${theme}.png`) });
  await context.close();
}
await browser.close();
