import type { Page } from '@playwright/test';
import { expect } from './kitchen';

/** The kitchen’s clock, sixty times as fast since a moment, also after a power cut. */
export const fast = (since: Date) => ['demo', '--speed', '60', '--since', since.toISOString()];
const timer = (page: Page) => page.getByRole('timer');
export const main = (page: Page) =>
  page.getByRole('button', {
    name: /^(Done|It heats|Food is in|Turned|Shaken|Looked|It is out|On the table|It is in the pan|It has rested)/,
  });

/** Does what is asked for as it falls due, until that is something. */
export async function follow(page: Page, until: RegExp) {
  for (let taps = 0; taps < 60; taps++) {
    await expect(timer(page)).toHaveAccessibleName(/^due/, { timeout: 60_000 });
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    if (until.test(title ?? '')) return;
    await main(page).first().click();
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title ?? '');
  }
  throw new Error('it is never asked for');
}
