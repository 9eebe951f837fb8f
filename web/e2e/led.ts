import type { Locator, Page } from '@playwright/test';
import { expect } from './kitchen';

/** The kitchen’s clock, sixty times as fast since a moment, also after a power cut. */
export const fast = (since: Date) => ['demo', '--speed', '60', '--since', since.toISOString()];
const timer = (page: Page) => page.getByRole('timer');
export const main = (page: Page) =>
  page.getByRole('button', {
    name: /^(Done|It heats|Food is in|Turned|Shaken|Looked|It is out|On the table|It is in the pan|It has rested)/,
  });

/** What changed under a finger within a second asks again: a hand is slower than that. */
const HAND_MS = 1050;

/** Presses a button, and means it where that is asked about: long before it is due, or just changed. */
async function press(page: Page, button: Locator) {
  await button.click();
  const question = page.getByRole('dialog');
  for (let asked = 0; asked < 2; asked++) {
    const there = await question.waitFor({ timeout: 400 }).then(
      () => true,
      () => false,
    );
    if (!there) return;
    await question.getByRole('button').last().click();
  }
}

/** Says that something is done, as slowly as a hand. */
export async function say(page: Page, button: Locator) {
  await page.waitForTimeout(HAND_MS);
  await press(page, button);
}

/** Does what is asked for as it falls due, until that is something. */
export async function follow(page: Page, until: RegExp) {
  for (let taps = 0; taps < 60; taps++) {
    await expect(timer(page)).toHaveAccessibleName(/^due/, { timeout: 60_000 });
    await page.waitForTimeout(HAND_MS);
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    if (until.test(title ?? '')) return;
    await press(page, main(page).first());
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title ?? '');
  }
  throw new Error('it is never asked for');
}
