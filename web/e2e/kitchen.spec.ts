import { say } from './led';
import { accessible, expect, fits, Kitchen, test } from './kitchen';

test('a cook given up before the food goes in', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/cook`);
  await expect(page.getByRole('heading', { name: 'Which one goes in the basket?' })).toBeVisible();
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: /^Caraway potato wedges/ }).click();
  await page.getByRole('button', { name: 'Give this cook up' }).click();
  await expect(page.getByRole('heading', { name: 'How did it come out?' })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await expect(page.getByText('given up before it went in')).toBeVisible();
});

test('taken out too early, and back in', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/cook`);
  await page.getByRole('button', { name: /^Rye-crumbed/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await page.getByRole('button', { name: 'How it looks' }).click();
  await page.getByRole('button', { name: 'gold', exact: true }).click();
  await expect(page.getByText(/what you saw/i).first()).toBeVisible();
  await page.getByRole('radio', { name: 'at the back' }).click({ force: true });
  await expect(page.getByRole('button', { name: 'gold ✓' })).toBeHidden();
  await page.getByRole('button', { name: 'copper', exact: true }).click();
  await accessible(page);
  await page.getByRole('button', { name: 'Shut' }).click();
  await expect(page.getByRole('button', { name: 'Take back: looks copper at the back' })).toBeVisible();
  // It asks once, plainly, and then does as told.
  await page.getByRole('button', { name: 'Done, it is out' }).click();
  await expect(page.getByText('By estimate it is not yet surely safe inside')).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'Leave it in' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.getByRole('button', { name: 'Done, it is out' }).click();
  await page.getByRole('button', { name: 'Take it out all the same' }).click();
  await expect(page.getByText('Looks gold')).toBeVisible();
  await page.getByRole('button', { name: 'Not done after all: go on' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take back: looks gold' })).toBeVisible();

  // A second cook is not begun meanwhile.
  await page.getByRole('navigation').getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByText('one is going on')).toBeAttached();
});

test('shaken dishes are led by shakes', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/cook`);
  await page.getByRole('button', { name: /^Caraway potato wedges/ }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await expect(page.getByRole('heading', { name: 'Shake the basket' })).toBeVisible();
  await say(page, page.getByRole('button', { name: 'Shaken', exact: true }));
  await expect(page.getByRole('heading', { name: 'Shake the basket, set 200 °C' })).toBeVisible();
  // The same word within four seconds is taken for a slip of the finger.
  const said = page.getByRole('button', { name: 'Shaken and set' });
  await expect(async () => {
    if (await said.isVisible()) await say(page, said);
    await expect(page.getByText('Then 4 min more.')).toBeVisible({ timeout: 2500 });
  }).toPass();
});

test('a rule of the cook’s own is never laxer', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByText('My own, stricter').click();
  const own = page.getByRole('textbox', { name: 'My own minimum' });
  await own.fill('40');
  await own.press('Enter');
  // What cannot be is said, and stays as it was typed.
  await expect(page.getByText('40 °C cannot be: 75 to 95 °C.')).toBeVisible();
  await expect(own).toHaveValue('40');
  await own.fill('82');
  await own.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByText('safe inside · 82 °C')).toBeVisible();
});

test('keys lead to the views and the sheet of keys', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByRole('heading', { name: 'Pantry', level: 1 })).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('region', { name: 'Dry' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Dish' }).focus();
  await page.keyboard.press('f'); // chooses in the list, and leads nowhere
  await expect(page.getByRole('combobox', { name: 'Dish' })).toBeVisible();
  await page.getByRole('button', { name: 'To the race' }).focus();
  await page.keyboard.press('f');
  await expect(page.getByRole('heading', { name: 'Fryers' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys', exact: true })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  // Letters typed into a field stay there, and keys can be turned off.
  await page.getByRole('button', { name: 'Borrowed round one', exact: true }).click();
  const name = page.getByRole('textbox', { name: 'Name' });
  await name.fill('');
  await name.pressSequentially('plc');
  await expect(name).toHaveValue('plc');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByText('Single-letter keys').click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'Fryers' })).toBeVisible();
});

test('a fryer is changed, undone, and a basket of another shape fits less', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/fryers`);
  const fryer = page.getByRole('region', { name: 'Square drawer' });
  await fryer.getByRole('button', { name: 'basket of 23 by 23 cm' }).click();
  await page.getByText('Round', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(fryer.getByText('round basket, 23 cm across, to scale')).toBeVisible();
  await fryer.getByRole('button', { name: 'Undo' }).click();
  await expect(fryer.getByText('basket of 23 by 23 cm, to scale')).toBeVisible();
  await fryer.getByRole('button', { name: 'a drawer' }).click();
  await page.getByText('Oven with trays').click();
  await page.keyboard.press('Escape');
  await expect(fryer.getByText('Kept', { exact: true })).toBeVisible();
  await page.reload();
  await expect(fryer.getByRole('button', { name: 'an oven with a tray' })).toBeVisible();
});

test('a fryer is timed to 200 °C, through a reload, and its portrait follows', async ({ page, kitchen }) => {
  await page.clock.install();
  await page.goto(`${kitchen.url}/fryers`);
  const fryer = page.getByRole('region', { name: 'Square drawer' });
  await expect(fryer.getByRole('img', { name: /^Dial at 200 °C: the air settles at 19[0-9] °C/ })).toBeVisible();
  await expect(fryer.getByText(/^Time it: empty and cold/)).toBeVisible();
  await fryer.getByRole('button', { name: '3.6 min to 200 °C' }).click();
  await page.getByRole('button', { name: 'I switch it on now' }).click();
  await expect(page.getByRole('button', { name: 'It reads 200 °C now' })).toBeDisabled();
  await page.reload(); // the stopwatch outlives it
  await fryer.getByRole('button', { name: '3.6 min to 200 °C' }).click();
  await page.clock.fastForward('05:06');
  await expect(page.getByRole('timer')).toHaveText(/^5:[0-3]/);
  await accessible(page);
  await page.getByRole('button', { name: 'It reads 200 °C now' }).click();
  await page.keyboard.press('Escape');
  await expect(fryer.getByRole('button', { name: /^5\.[1-5] min to 200 °C/ })).toBeVisible();
  await expect(fryer.getByText(/^Time it: empty and cold/)).toHaveCount(0);
  await page.clock.runFor(2000);
  await expect(fryer.getByText('Kept', { exact: true })).toBeVisible();

  // Forgotten again, it is as most of its kind.
  await fryer.getByRole('button', { name: /^5\.[1-5] min to 200 °C/ }).click();
  await page.getByRole('button', { name: /^Forget it/ }).click();
  await page.keyboard.press('Escape');
  await expect(fryer.getByRole('button', { name: '3.6 min to 200 °C' })).toBeVisible();
});

test('unknown addresses and vanished dishes say what to do', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/sauce`);
  await expect(page.getByRole('heading', { name: 'Nothing is kept under this address' })).toBeVisible();
  await page.goto(`${kitchen.url}/plan/none`);
  await expect(page.getByRole('heading', { name: 'This dish is not here any more' })).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'New dish' }).click();
  await expect(page.getByRole('button', { name: '10 wing flats' })).toBeVisible();
});

test('a new household looks around in a made-up one, lets a phone in, and keeps nothing of the other', async ({
  page,
  browser,
}) => {
  const kitchen = new Kitchen();
  // Another address of this machine stands in for the home network.
  await kitchen.start('127.0.0.1:0', 'serve', '--lan=127.0.0.2');
  await page.goto(kitchen.url);
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('Tonight');
  await page.getByRole('button', { name: 'look around in a made-up household' }).click();
  await expect(page.getByText(/^A made-up household to look around in/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Name of the dish' }).fill('Not mine');
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await expect(page).toHaveURL(/\/demo\/logbook$/);
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  await page.getByRole('button', { name: 'Back to your own' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('Tonight');
  expect(await page.evaluate(() => Object.keys(localStorage))).toEqual([]);

  // Twelve wings in a drawer of 5.5 litres: the fryer is set up in the line, and is cooked in at once.
  await page.getByRole('button', { name: '10 wing flats' }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('12');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'My fryer' }).click();
  const litres = page.getByRole('textbox', { name: /^Size on the box/ });
  await litres.fill('5,5');
  await litres.press('Enter');
  await page.getByRole('button', { name: 'Cook in this one' }).click();
  await expect(page.getByRole('main')).toContainText(/12 wing flats .* cooked in .*5\.5/);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(/by \d+ min/);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'My fryer' })).toBeVisible();
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByRole('link', { name: 'Phones, and a household to look around in' }).click();
  await page.getByRole('button', { name: 'Show a code to scan' }).click();
  const code = page.getByRole('img', { name: /^Code of/ });
  await expect(code).toBeVisible();
  await accessible(page);
  const phone = await (await browser.newContext()).newPage();
  await phone.goto((await code.getAttribute('aria-label'))?.replace('Code of ', '') ?? '');
  await phone.getByLabel('What this phone is called').fill('Hob phone');
  await phone.getByRole('button', { name: 'Let it in' }).click();
  await expect(phone.getByRole('heading', { name: 'Which one goes in the basket?' })).toBeVisible();
  await page.reload();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Hob phone' })
    .getByRole('button', { name: 'Take it back' })
    .click();
  await expect(page.getByText('Hob phone is let in no more.')).toBeVisible();
  expect((await phone.request.get(phone.url())).status()).toBe(401);
  await phone.context().close();
  await page.close();
  await kitchen.close();
});

test('a key on the race says the one value and the window, once', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  await page.getByRole('button', { name: /^Stage 2:/ }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('status').filter({ hasText: '°C for' })).toHaveText(
    /^\s*195 °C for 11 min\. (\d+ to \d+|\d+) min.{0,20}\s*$/,
  );
});

test('what cooks have shown of a fryer: left out, taken back in, and measured empty', async ({ page, kitchen }) => {
  await kitchen.stop();
  await kitchen.start('127.0.0.1:0', 'demo', '--speed', '120');
  await page.goto(`${kitchen.url}/fryers`);
  const square = page.getByRole('region', { name: 'Square drawer' });
  await expect(square.getByText(/^From six cooks: runs \d+ °C under its dial/)).toBeVisible();
  // Without a connection it is left out here at once, and learnt so when the kitchen hears of it.
  await page.context().setOffline(true);
  await square.getByRole('button', { name: 'Leave it out: Fennel-salt pork belly slices' }).click();
  await expect(square.getByRole('button', { name: 'Take it back in: Fennel-salt pork belly slices' })).toBeVisible();
  await page.context().setOffline(false);
  await expect(square.getByText(/^From five cooks/)).toBeVisible();
  await square.getByRole('button', { name: 'Take it back in: Fennel-salt pork belly slices' }).click();
  await expect(square.getByText(/^From six cooks/)).toBeVisible();

  // Ten minutes empty: by hand, in a page that is left; then by a thermometer that sends.
  await square.getByRole('button', { name: 'Measure it with a thermometer' }).click();
  await square.getByRole('button', { name: 'It is on: I read by hand' }).click();
  const reads = square.getByRole('textbox', { name: 'It reads, °C' });
  await reads.fill('90');
  await reads.press('Tab');
  await square.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(square.getByRole('status')).toContainText('1 of 7 are in');
  await page.reload();
  await expect(square.getByRole('status')).toContainText('1 of 7 are in');
  await accessible(page);
  await square.getByRole('button', { name: 'Give it up' }).click();
  await square.getByRole('button', { name: 'Measure it with a thermometer' }).click();
  await square.getByRole('button', { name: 'It is on: simulated-thermometer reads' }).click();
  await expect(square.getByRole('status')).toHaveText('That is all that is wanted.', { timeout: 40_000 });
  await square.getByRole('button', { name: 'Learn from it' }).click();
  await expect(square.getByText('Measured, empty')).toBeVisible();
  await expect(square.getByText(/^From seven cooks/)).toBeVisible();
  // With half a potato, as thick as it is, in the left of two drawers by itself.
  const twin = page.getByRole('region', { name: 'Twin drawers' });
  await twin.getByRole('button', { name: 'Measure it with a thermometer' }).click();
  await twin.getByRole('radio', { name: /half a potato/ }).click({ force: true });
  await twin.getByRole('radio', { name: 'The left one alone' }).click({ force: true });
  await expect(twin.getByRole('img', { name: 'Measure it from the cut face to its highest' })).toBeVisible();
  const thick = twin.getByRole('textbox', { name: 'As thick as, mm' });
  await thick.fill('42');
  await thick.press('Tab');
  await accessible(page);
  await twin.getByRole('button', { name: 'It is on: simulated-thermometer reads' }).click();
  await expect(twin.getByText('The left drawer, alone.')).toBeVisible();
  await expect(twin.getByRole('status')).toHaveText('That is all that is wanted.', { timeout: 60_000 });
  await twin.getByRole('button', { name: 'Learn from it' }).click();
  await expect(twin.getByRole('heading', { name: 'How sure, left drawer' })).toBeVisible();
  await expect(twin.getByText('Measured by half a potato')).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  await expect(page.getByText(/Readings within the band for nine in ten/)).toBeVisible();
});
