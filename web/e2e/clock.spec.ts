import { say } from './led';
import { expect, stays, test, phrase } from './kitchen';

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
  await say(other, other.getByRole('button', { name: 'Turned and set' }));
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
  await expect(page.getByRole('button', { name: 'Stage 2: 200 °C · 10 min' })).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  errors.length = 0; // refused connections were the point
});

test('a tap without a connection waits on the device, and counts once when it was tapped', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(`${kitchen.url}/cook`);
  await page.getByRole('button', { name: /^Sea bream with dukkah/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await expect(page.getByRole('button', { name: 'Turned', exact: true })).toBeVisible();
  await kitchen.stop();
  await say(page, page.getByRole('button', { name: 'Turned', exact: true }));
  await page.getByRole('button', { name: 'How it looks' }).click();
  await page.getByRole('button', { name: 'gold' }).click();
  await page.getByRole('button', { name: 'Shut' }).click();
  await expect(page.getByText(/^Kept on this device, and sent when .*Turned: .*; looks gold/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Turned', exact: true })).toBeDisabled();
  // The page goes away before the server is back; another view sends it.
  await kitchen.start(new URL(kitchen.url).host);
  await page.goto(`${kitchen.url}/logbook`);
  await page.getByRole('navigation').getByRole('link', { name: 'Cook' }).click();
  await expect(page.getByRole('button', { name: 'Take back: looks gold' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Take the .* out$/ })).toBeVisible();
  await page.getByRole('button', { name: 'How it looks' }).click();
  await expect(page.getByRole('button', { name: 'gold ✓' })).toBeVisible();
  errors.length = 0; // refused connections were the point
});

test('a change on the way from page to page is no conflict with itself', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  for (const name of ['Flats one', 'Flats two']) {
    await page.getByRole('textbox', { name: 'Name of the dish' }).fill(name);
    await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
    await phrase(page.getByRole('region', { name: 'Dry' }), /^Wipe/);
    await page.getByText('Leave it wet').click();
    await page.getByText('Wipe with paper', { exact: true }).last().click();
    await page.getByRole('button', { name: 'To the race' }).click();
    await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue(name);
    await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  }
  await expect(page.getByText('Changed on another device too')).toHaveCount(0);
});

test('two devices change one dish, and the cook chooses', async ({ page, kitchen, browser, errors }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  const context = await browser.newContext();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('region', { name: 'Verdict' })).toBeVisible();
  const name = (p: typeof page) => p.getByRole('textbox', { name: 'Name of the dish' });
  const kept = (p: typeof page) => p.getByText('Kept', { exact: true });
  await name(other).fill('Flats of the other phone');
  await expect(kept(other)).toBeVisible();
  await name(page).fill('Flats of this one');
  const conflict = page.getByRole('alert').filter({ hasText: 'Changed on another device too' });
  await expect(conflict).toBeVisible();
  // A reload loses neither.
  await page.reload();
  await expect(name(page)).toHaveValue('Flats of this one');
  await expect(conflict).toBeVisible();
  await conflict.getByRole('button', { name: 'Keep mine' }).click();
  await expect(kept(page)).toBeVisible();
  await other.reload();
  await expect(name(other)).toHaveValue('Flats of this one');

  await name(other).fill('Flats again');
  await expect(kept(other)).toBeVisible();
  await name(page).fill('Flats no more');
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(name(page)).toHaveValue('Flats again');
  await expect(kept(page)).toBeVisible();
  await context.close();
  errors.length = 0; // the browser notes the refused change
});

test('a view whose script cannot be fetched leaves the others as they are', async ({ page, kitchen, errors }) => {
  await page.route('**/PantryPage-*.js', (route) => route.abort());
  await page.goto(`${kitchen.url}/logbook`);
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  await stays(page, 'Pantry');
  await expect(page.getByRole('heading', { name: 'This page could not be shown' })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  await stays(page, 'Pantry');
  await page.unroute('**/PantryPage-*.js');
  await expect(page.getByRole('heading', { name: 'Pantry' })).toBeVisible();
  errors.length = 0; // the script that failed was the point
});

test('what is made without a connection is here at once, waits, and is sent once', async ({
  page,
  kitchen,
  browser,
  errors,
}) => {
  await page.goto(`${kitchen.url}/pantry?figures`);
  const salt = (p: typeof page) => p.getByRole('textbox', { name: 'light soy sauce: Salt, g in 100 g' });
  await expect(salt(page)).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'New dish' })).toBeVisible();
  await kitchen.stop();
  await page.getByRole('button', { name: 'New dish' }).click();
  await page.getByRole('textbox', { name: 'Name of the dish' }).fill('Thighs on a Sunday');
  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByText('°F', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^Kept on this device, and sent when .*: new dish New dish; a setting/)).toBeVisible();
  await expect(page.getByText('Kept on this device only')).toBeVisible();

  await kitchen.start(new URL(kitchen.url).host);
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Kept on this device/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('Thighs on a Sunday');
  await expect(page.getByRole('link', { name: /^Thighs on a Sunday/ })).toHaveCount(1);
  await expect(page.getByRole('button', { name: /^°F.*units and rules/ })).toBeVisible();

  // Two devices change one ingredient on the same figures.
  const context = await browser.newContext();
  const other = await context.newPage();
  const change = async (p: typeof page, to: string) => {
    await salt(p).fill(to);
    await salt(p).press('Enter');
  };
  await page.goto(`${kitchen.url}/pantry?figures`);
  await other.goto(`${kitchen.url}/pantry?figures`);
  await expect(salt(other)).toBeVisible();
  await change(page, '11');
  await expect(page.getByRole('button', { name: 'As it ships' })).toBeVisible();
  await other.route('**/api/v1/pantry', (route) => route.abort()); // it has not heard of it
  await change(other, '12');
  const conflict = other.getByRole('alert').filter({ hasText: 'Changed on another device too: light soy sauce' });
  await expect(conflict).toBeVisible();
  await other.unroute('**/api/v1/pantry');
  await conflict.getByRole('button', { name: 'Keep mine' }).click();
  await expect(conflict).toHaveCount(0);
  await page.reload();
  await expect(salt(page)).toHaveValue('12');
  await context.close();
  errors.length = 0; // refused connections and the refused change were the point
});
