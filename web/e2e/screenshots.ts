import { test } from './kitchen';

// Refreshes docs/screenshots from the demo data.

const to = (name: string) => `../docs/screenshots/${name}.png`;

test.use({ viewport: { width: 1280, height: 800 } });
test.setTimeout(120_000);

test('desk', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('region', { name: 'Verdict' }).waitFor();
  await page.waitForTimeout(1200);
  await page.screenshot({ path: to('plan') });
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.screenshot({ path: to('plan-night') });
  await page.emulateMedia({ colorScheme: 'light' });
  await page.getByRole('button', { name: '11 wing flats' }).click();
  await page.waitForTimeout(400);
  await page.screenshot({ path: to('plan-order') });
  await page.keyboard.press('Escape');
  const ways = page.getByRole('heading', { name: 'Ways to run it' });
  const top = (el: typeof ways) =>
    el.evaluate((e) => window.scrollTo({ top: window.scrollY + e.getBoundingClientRect().top - 20 }));
  await top(ways);
  await page.waitForTimeout(300);
  await page.screenshot({ path: to('ways') });
  await page.getByRole('button', { name: 'Compare one late turn' }).click();
  await page.getByRole('button', { name: 'Compare gentle, then hot' }).click();
  await top(page.getByRole('heading', { name: /beside/ }));
  await page.waitForTimeout(400);
  await page.screenshot({ path: to('compare') });
  await page.getByRole('button', { name: 'Close the comparison' }).click();
  await page.getByRole('button', { name: 'Bring a recipe' }).click();
  await page.getByRole('button', { name: 'Convert it' }).click();
  await page.waitForTimeout(1500);
  await top(page.getByRole('region', { name: 'Bring a recipe' }));
  await page.waitForTimeout(300);
  await page.screenshot({ path: to('convert') });
  await page.getByRole('button', { name: 'Close the recipe' }).click();
  await page.evaluate(() => window.scrollTo({ top: 0 }));
  await page.getByRole('button', { name: '11 wing flats' }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('24');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByText(/^Two baskets, one after another/).click();
  await page.getByRole('radio', { name: /^Basket 2/ }).click();
  await page.waitForTimeout(1800);
  await page.evaluate(() => window.scrollTo({ top: 290 }));
  await page.screenshot({ path: to('baskets') });
  await page.evaluate(() => window.scrollTo({ top: 0 }));
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  while (await undo.isEnabled()) await undo.click();
  await page.waitForTimeout(1500);
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Harissa drumsticks');
  await page.getByRole('region', { name: 'Marinate' }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('bench') });
  await page.getByRole('navigation').getByRole('link', { name: 'Pantry' }).click();
  await page.getByRole('region', { name: 'light miso' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: to('pantry') });
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await page.waitForTimeout(600);
  await page.screenshot({ path: to('logbook') });
  await page.getByRole('link', { name: /^Rye-crumbed/ }).click();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('logbook-entry') });
  await page.getByRole('navigation').getByRole('link', { name: 'Fryers' }).click();
  await page.waitForTimeout(800);
  await page.screenshot({ path: to('fryers') });
  await page.getByRole('navigation').getByRole('link', { name: 'Cook' }).click();
  await page.getByRole('button', { name: /^Sumac/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await page.waitForTimeout(3000);
  await page.screenshot({ path: to('cook') });
});

test('phone', async ({ page, kitchen }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(kitchen.url);
  await page.getByRole('region', { name: 'Verdict' }).waitFor();
  await page.waitForTimeout(1200);
  await page.screenshot({ path: to('plan-phone') });
});
