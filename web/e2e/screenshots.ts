import { test } from './kitchen';

// Refreshes docs/screenshots from the demo data.

const to = (name: string) => `../docs/screenshots/${name}.png`;

test.use({ viewport: { width: 1280, height: 800 } });

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
