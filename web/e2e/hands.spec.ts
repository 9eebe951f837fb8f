import { readdirSync, readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { allPages, accessible, expect, fits, test } from './kitchen';

// Colours do not hang on the width, nor sizes on the theme: a page is read at one of two of the widths, in turn.
const looks = [
  { width: 320, colorScheme: 'dark', read: 0 },
  { width: 390, colorScheme: 'light', read: null },
  { width: 820, colorScheme: 'light', read: null },
  { width: 1280, colorScheme: 'light', read: 1 },
  { width: 1600, colorScheme: 'dark', read: null },
] as const;

/** All text as somebody has it who sets it to 200 %. */
const twiceAsLarge = (page: Page) =>
  page.evaluate(() => {
    const all = [...document.querySelectorAll<HTMLElement>('body, body *')].map((e) => ({
      e,
      size: parseFloat(getComputedStyle(e).fontSize),
      line: getComputedStyle(e).lineHeight,
    }));
    for (const { e, size, line } of all) {
      e.style.setProperty('font-size', `${2 * size}px`, 'important');
      if (line.endsWith('px')) e.style.setProperty('line-height', `${2 * parseFloat(line)}px`, 'important');
    }
  });

for (const half of [0, 1])
  test(`every page at five widths, by day, by night and in large letters, ${half + 1} of 2`, async ({
    page,
    kitchen,
  }) => {
    const all = await allPages(kitchen);
    for (const [n, path] of all.filter((_, i) => i % 2 === half).entries()) {
      await page.goto(kitchen.url + path);
      await expect(page.locator('main')).toBeVisible();
      await page.waitForLoadState('networkidle');
      for (const { width, colorScheme, read } of looks) {
        await page.emulateMedia({ colorScheme });
        await page.setViewportSize({ width, height: 844 });
        await fits(page);
        if (read === n % 2) await accessible(page);
      }
      await twiceAsLarge(page);
      for (const width of [1280, 390]) {
        await page.setViewportSize({ width, height: 844 });
        await fits(page);
      }
    }
  });

test('the keyboard stays where something was done', async ({ page, kitchen }) => {
  const on = () => page.evaluate(() => document.activeElement?.closest('section, ol, ul, main')?.tagName ?? 'BODY');
  await page.goto(kitchen.url);
  const use = page.getByRole('button', { name: /^Use / }).first();
  await use.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^In use / })).toBeFocused();
  await page
    .getByRole('button', { name: /^Delete / })
    .last()
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/is put aside/)).toBeVisible();
  await expect.poll(on).not.toBe('BODY');

  // Arrows choose as soon as a choice is open.
  await page
    .getByRole('button', { name: /and oiled|rubbed|flour/ })
    .first()
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByRole('radio').and(page.locator(':focus'))).toHaveCount(1);
  await page.keyboard.press('Escape');

  await expect(page.getByRole('button', { name: 'Cook this' })).toBeEnabled();
  await page.getByRole('button', { name: 'Cook this' }).focus();
  await page.keyboard.press('Enter');
  const main = page.getByRole('button', { name: 'Food is in', exact: true });
  await main.press('Enter');
  // What has only just come under the finger is asked about.
  const yes = page.getByRole('button', { name: /^Yes/ });
  await expect(yes.or(page.getByRole('button', { name: 'Not done yet' }))).toBeVisible();
  if (await yes.isVisible()) await yes.press('Enter');
  await expect(main).toHaveCount(0);
  await expect.poll(on).not.toBe('BODY');
});

test('the logbook over time: a dish, two cooks compared', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/logbook`);
  await page.getByRole('combobox', { name: 'Dish' }).selectOption({ label: 'Sumac and lemon-thyme wing flats (4)' });
  const cooks = page.getByRole('group', { name: 'Cooks to compare' }).getByRole('button');
  await expect(cooks).toHaveCount(4);
  await expect(cooks.first()).toHaveAccessibleName(
    /21 min, planned 23, crust \d+, .*too soft, juicy, Borrowed round one/,
  );
  await cooks.first().click();
  await cooks.last().click();
  const both = page.getByRole('region', { name: 'Two cooks compared' });
  await expect(both).toContainText(
    /The later one: 2 min longer, \d+ more of crust, \d+ % less juice, in Square drawer\./,
  );
  await accessible(page);
  await page.getByRole('combobox', { name: 'Fryer' }).selectOption({ label: 'Borrowed round one (4)' });
  await expect(page.getByRole('list').getByRole('link', { name: /Sumac/ })).toHaveCount(1);
  await page.getByRole('searchbox').fill('phone');
  await expect(page.getByText('There is none like that.')).toBeVisible();
});

test('a bench that is opened without a connection mends itself', async ({ page, kitchen, errors }) => {
  // Every page's script is fetched in the first seconds.
  const fetched = page.waitForResponse(/EveningPage-.*\.js$/);
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('min');
  await fetched;
  await page.waitForLoadState('networkidle');
  await kitchen.stop();
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText(/does not answer/).first()).toBeVisible();
  await kitchen.start(new URL(kitchen.url).host);
  await expect(page.getByRole('group', { name: 'Stations' })).toBeVisible({ timeout: 30_000 });
  errors.length = 0; // refused connections were the point
});

test('every colour that is used is one', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await expect(page.locator('main')).toBeVisible();
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter((f) => /\.tsx?$/.test(f));
  const used = files.flatMap((f) =>
    [...readFileSync(`src/${f}`, 'utf8').matchAll(/var\(--([a-z-]+)\)/g)].map((m) => m[1]),
  );
  const set = new Set(
    files.flatMap((f) => [...readFileSync(`src/${f}`, 'utf8').matchAll(/'--([a-z-]+)':/g)].map((m) => m[1])),
  );
  const missing = await page.evaluate(
    (names) => names.filter((n) => getComputedStyle(document.documentElement).getPropertyValue(`--${n}`) === ''),
    [...new Set(used)].filter((n): n is string => n !== undefined && !set.has(n)),
  );
  expect(missing).toEqual([]);
});
