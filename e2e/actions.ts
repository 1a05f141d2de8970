import type { Locator } from '@playwright/test';

/** Counts what a person does: a click, a field filled in, a key. Looking is free. */
export class Actions {
  count = 0;

  async click(locator: Locator): Promise<void> {
    this.count += 1;
    await locator.click();
  }

  /** Types into a field and presses Enter. */
  async type(locator: Locator, text: string): Promise<void> {
    this.count += 1;
    await locator.fill(text);
    await locator.press('Enter');
  }
}
