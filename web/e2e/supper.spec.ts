import { accessible, expect, fits, test } from './kitchen';

test('card night is worked back from the table, pinned, eased and taken away', async ({ page, kitchen, errors }) => {
  await page.goto(kitchen.url);
  await page.getByRole('navigation').getByRole('link', { name: 'Supper' }).click();
  const sentence = page.getByRole('paragraph').filter({ hasText: 'Card night for six' });
  await expect(sentence).toContainText('So begin at');
  const plate = page.getByRole('region', { name: 'On the plate' });
  await expect(plate).toContainText('Wings for six, basket 2');
  await expect(page.getByRole('region', { name: 'By the clock' })).toContainText('Plates to the table');
  await accessible(page);

  // A task is held to a moment by keyboard; all else answers; Delete lets it go.
  const glaze = page.getByRole('button', { name: /^Hob\. .*Honey-harissa glaze simmers/ });
  const before = await glaze.getAttribute('aria-label');
  await glaze.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: /^Hob\. .*Honey-harissa glaze simmers, pinned/ })).toBeVisible();
  await page.getByRole('button', { name: /^Hob\. .*Honey-harissa glaze simmers, pinned/ }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: before ?? '' })).toBeVisible();
  await page.getByRole('button', { name: /hold Wipe 24 wing flats to a moment/ }).click();
  await expect(page.getByLabel('Begin it at')).toBeVisible();
  await page.keyboard.press('Escape');

  // What cannot be is said while it is dragged, and nothing is lost.
  await glaze.scrollIntoViewIfNeeded();
  const box = await glaze.boundingBox();
  if (!box) throw new Error('no glaze');
  await page.mouse.move(box.x + 3, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 12, { steps: 6 });
  await expect(page.getByRole('alert')).toContainText('is not possible');
  await page.mouse.up();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  errors.length = 0; // the browser notes the refused request

  // Another order and other hands, one tap each.
  const ways = page.getByRole('region', { name: 'Other ways' });
  await ways.getByRole('button', { name: 'Take it' }).last().click();
  await expect(page.getByRole('button', { name: 'two pairs of hands' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'By the clock' })).toContainText('(hands 2)');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'one pair of hands' })).toBeVisible();
  await page.getByRole('button', { name: 'If I began now?' }).click();
  await expect(page.getByRole('button', { name: 'Then it is' })).toBeVisible();

  // What leaves: a calendar and a list.
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  const [calendar] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Calendar' }).click(),
  ]);
  expect(calendar.suggestedFilename()).toBe('Card night.ics');
  await expect(page.getByRole('region', { name: 'Shopping' })).toContainText('corn starch');
  await page.getByRole('button', { name: 'The same in a week' }).click();
  await expect(page.getByRole('button', { name: 'Card night, again' })).toBeVisible();
});

test('a supper of one’s own on a phone: made, short of time, put away', async ({ page, kitchen }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kitchen.url}/supper`);
  await page.getByRole('button', { name: 'Another' }).click();
  await expect(page.getByRole('button', { name: 'A supper', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'and more' }).click();
  await page.getByRole('combobox', { name: 'A dish' }).selectOption('Harissa drumsticks');
  await expect(page.getByRole('button', { name: 'Harissa drumsticks', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'and more' }).click();
  await page.getByRole('button', { name: 'A side with steps of its own' }).click();
  await page.getByRole('button', { name: 'A salad', exact: true }).click();
  await page.getByRole('textbox', { name: 'Its name' }).fill('Cucumber');
  await page.getByRole('textbox', { name: 'Minutes', exact: true }).fill('6');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'By the clock' })).toContainText('Cucumber: cut and dress');
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: 'Put it away' }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Cucumber', exact: true })).toBeVisible();
});

test('children eat sooner, on any day; all dishes are made for as many as come', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/supper`);
  await page.getByRole('button', { name: 'six', exact: true }).click();
  await page.getByRole('button', { name: 'Some come sooner or later' }).click();
  await page.getByText('Made for eight').click();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByText(/the children at 18:30/).first()).toBeVisible();
  const plates = page.getByRole('region', { name: /^On the plate/ });
  await expect(plates).toContainText(/for the children/);
  await page.getByRole('button', { name: /at 19:30$/ }).click();
  const when = page.getByLabel('Day and time');
  const next = new Date(`${(await when.inputValue()).slice(0, 10)}T12:00Z`);
  next.setUTCDate(next.getUTCDate() + 3);
  await when.fill(`${next.toISOString().slice(0, 10)}T20:00`);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: new RegExp(` ${next.getUTCDate()} .* at 20:00$`) })).toBeVisible();
  await expect(page.getByText(/the children at 18:30/).first()).toBeVisible();
  await expect(plates).toContainText(/for the children/);
});
