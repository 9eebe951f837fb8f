import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { Plan } from '../src/api/client';
import { expect, stays, test } from './kitchen';
import { fast, follow, main } from './led';

// Refreshes docs/screenshots from the demo data.

const FISH = '../internal/exchange/testdata/fish-and-chips.txt';
const to = (name: string) => `../docs/screenshots/${name}.png`;

test.use({ viewport: { width: 1280, height: 800 } });
test.setTimeout(120_000);

test('two drawers', async ({ page, kitchen }) => {
  const api = `${kitchen.url}/api/v1`;
  const get = async <T>(path: string) => (await (await page.request.get(`${api}${path}`)).json()) as T[];
  const plans = await get<Plan>('/plans');
  const fryerId = (await get<{ id: string; name: string }>('/fryers')).find((f) => f.name === 'Twin drawers')?.id ?? '';
  const put = async (name: string, more: Partial<Plan>) => {
    const { id, lots, bench, program, tableTime } = plans.find((p) => p.name === name) as Plan;
    await page.request.put(`${api}/plans/${id}`, { data: { name, lots, bench, program, tableTime, fryerId, ...more } });
    return id;
  };
  const besideId = await put('Caraway potato wedges', { drawer: 'right' });
  const id = await put('Harissa drumsticks', { drawer: 'left', besideId, ready: 'together' });
  await page.goto(`${kitchen.url}/plan/${id}`);
  await page.getByRole('region', { name: 'The plug' }).waitFor();
  await page.waitForTimeout(1500);
  await page.evaluate(() => window.scrollTo({ top: 240 }));
  await page.screenshot({ path: to('drawers') });
});

/** The verdict has its minutes. */
const answered = (page: Page) =>
  page
    .getByRole('region', { name: 'Verdict' })
    .getByText(/^Safe inside|inside, 95 loads/)
    .first()
    .waitFor();

test('desk', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await answered(page);
  await page.waitForTimeout(1200);
  await page.screenshot({ path: to('plan') });
  await page.getByRole('link', { name: 'A recipe from elsewhere' }).click();
  await page.getByRole('textbox', { name: /^The recipe, ingredients/ }).fill(readFileSync(FISH, 'utf8'));
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.getByRole('region', { name: 'What was understood' }).waitFor();
  await page.waitForTimeout(600);
  await page.evaluate(() => window.scrollTo({ top: 360 }));
  await page.screenshot({ path: to('bring') });
  await page.goto(kitchen.url);
  await answered(page);
  await page.waitForTimeout(1200);
  const ways = page.getByRole('heading', { name: 'Ways to run it' });
  const top = (el: typeof ways) =>
    el.evaluate((e) => window.scrollTo({ top: window.scrollY + e.getBoundingClientRect().top - 20 }));
  await page.getByText('recommended', { exact: true }).waitFor();
  await top(ways);
  await page.waitForTimeout(300);
  await page.screenshot({ path: to('ways') });
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Harissa drumsticks');
  await page.getByRole('region', { name: 'Marinate' }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('bench') });
  await page.getByRole('navigation').getByRole('link', { name: 'Pan' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Turmeric-yoghurt thigh pieces');
  await page.getByRole('region', { name: 'The pan' }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('pan') });
  await page.getByRole('navigation').getByRole('link', { name: 'Supper' }).click();
  await page.getByRole('region', { name: 'On the plate' }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('supper') });
  await page.emulateMedia({ media: 'print' });
  await page.setViewportSize({ width: 794, height: 1123 });
  await page.waitForTimeout(600);
  await page.screenshot({ path: to('supper-print') });
  await page.emulateMedia({ media: 'screen' });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.evaluate(() => window.scrollTo({ top: 0 }));
  await stays(page, 'Pantry');
  await page.getByRole('button', { name: 'light miso' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: to('pantry') });
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await page.waitForTimeout(600);
  await page.screenshot({ path: to('logbook') });
  await page.getByRole('link', { name: /Rye-crumbed/ }).click();
  // As a thermometer's own file would have it.
  const read = Array.from(
    { length: 61 },
    (_, i) => `${i * 10},${(5 + 83 * (1 - Math.exp(-((i / 34) ** 2.1)))).toFixed(1)}`,
  );
  await page.request.post(`${kitchen.url}/api/v1/cooks/${page.url().split('/').pop() ?? ''}/curve`, {
    data: { file: `s,°C\n${read.join('\n')}\n` },
  });
  await page.reload();
  await page.getByRole('button', { name: /^Open the picture/ }).waitFor();
  await page.waitForTimeout(1200);
  await page.setViewportSize({ width: 1280, height: 1000 });
  await page.waitForTimeout(600);
  await page.screenshot({ path: to('logbook-entry') });
  await page.setViewportSize({ width: 1280, height: 800 });
  await stays(page, 'Fryers');
  await page.getByText('both drawers on').scrollIntoViewIfNeeded();
  await page.getByText(/^From six cooks/).scrollIntoViewIfNeeded();
  await page.evaluate(() => window.scrollTo({ top: 420 }));
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('fryers') });
  const household = await (await page.request.get(`${kitchen.url}/api/v1/archive`)).body();
  const dish = ((await (await page.request.get(`${kitchen.url}/api/v1/plans`)).json()) as Plan[])[0];
  if (dish) {
    const { id, version, changedAt, ...input } = dish;
    expect(changedAt).toBeTruthy();
    await page.request.put(`${kitchen.url}/api/v1/plans/${id}`, {
      data: { ...input, name: `${dish.name}, hotter` },
      headers: { 'If-Match': `"${version}"` },
    });
    await page.goto(`${kitchen.url}/household`);
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Bring one in' }).click();
    await (await choosing).setFiles({ name: 'household.zip', mimeType: 'application/zip', buffer: household });
    await page.getByRole('list', { name: 'What differs' }).waitFor();
    await page.waitForTimeout(800);
    await page.screenshot({ path: to('household') });
    await page.request.put(`${kitchen.url}/api/v1/plans/${id}`, { data: input });
  }
  await page.goto(kitchen.url);
  await answered(page);
  await page.getByRole('button', { name: /^All \d+ dishes$/ }).click();
  await page.getByRole('link', { name: /^Drumettes of three flavours/ }).click();
  await page.getByText('Drumettes of three flavours', { exact: true }).first().waitFor();
  await answered(page);
  await page.waitForTimeout(800);
  await page.evaluate(() => window.scrollTo({ top: 0 }));
  await page.screenshot({ path: to('lots') });
  await page.getByRole('navigation').getByRole('link', { name: 'Cook' }).click();
  await page.getByRole('button', { name: /Sumac/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await page.waitForTimeout(3000);
  await page.screenshot({ path: to('cook') });
});

test('phone', async ({ page, kitchen }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(kitchen.url);
  await answered(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.getByRole('navigation').getByRole('link', { name: 'Supper' }).click();
  await page.getByRole('region', { name: 'On the plate' }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('supper-phone') });
});

test('evening', async ({ page, kitchen }) => {
  test.setTimeout(400_000);
  await kitchen.stop();
  await kitchen.start('127.0.0.1:0', ...fast(new Date()));
  await page.goto(`${kitchen.url}/cook`);
  await page.getByRole('button', { name: /^Card night/ }).click();
  await follow(page, /Wing flats 1: put/);
  await main(page).first().click();
  await page.getByRole('button', { name: 'Leave simulated thermometer in' }).click();
  await page.waitForTimeout(8500);
  await page.screenshot({ path: to('evening') });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.waitForTimeout(400);
  await page.screenshot({ path: to('evening-phone') });
  await page.setViewportSize({ width: 1280, height: 800 });
  await follow(page, /Plates to the table/);
  await page.getByRole('button', { name: 'On the table' }).click();
  await page.getByRole('region', { name: 'Inside, read over forecast' }).first().waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('evening-entry') });
});
