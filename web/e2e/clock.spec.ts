import { expect, test } from './kitchen';

const seconds = (text: string | null) => {
  const [m = '0', s = '0'] = (text ?? '').replace('+', '').split(':');
  return Number(m) * 60 + Number(s);
};

test('a cook goes on through reload, restart and a second device', async ({ page, kitchen, context, errors }) => {
  await page.goto(`${kitchen.url}/cook`);
  await page.getByRole('button', { name: /^Harissa drumsticks/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  const timer = page.getByRole('timer');
  await expect(timer).toHaveText(/^15:\d\d$/);
  const before = seconds(await timer.textContent());
  const clock = Date.now();

  await page.reload();
  await expect(timer).toHaveText(/^15:\d\d$/);
  await kitchen.restart();
  await page.reload();
  await expect(timer).toHaveText(/^15:\d\d$/);
  const gone = (Date.now() - clock) / 1000;
  expect(Math.abs(before - seconds(await timer.textContent()) - gone)).toBeLessThan(2.5);
  // The browser may have asked while the server was away.
  errors.splice(0, errors.length, ...errors.filter((e) => !e.includes('ERR_CONNECTION_REFUSED')));

  const other = await context.newPage();
  await other.goto(`${kitchen.url}/cook`);
  await other.getByRole('button', { name: 'Turned and set' }).click();
  await expect(page.getByRole('heading', { name: 'Take all five out' })).toBeVisible();

  // Taking it back here shows there.
  await page.getByRole('button', { name: 'Take back: turned' }).click();
  await expect(other.getByRole('heading', { name: 'Turn all five, set 195 °C' })).toBeVisible();
});

test('a change without a connection is kept and sent later', async ({ page, kitchen, errors }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  await kitchen.stop();
  const stage = page.getByRole('button', { name: /^Stage 2:/ });
  await stage.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Kept on this device only')).toBeVisible();
  await kitchen.start(new URL(kitchen.url).host);
  // It goes out by itself once the server answers, and is there after a reload.
  await expect(page.getByText('Kept', { exact: true })).toBeVisible({ timeout: 12_000 });
  await page.reload();
  await expect(page.getByRole('button', { name: 'Stage 2: 200 °C for 10 min' })).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  errors.length = 0; // refused connections were the point
});
