import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { accessible, expect, fits, test } from './kitchen';

test('a thermometer’s own file is laid over a cook, shifted, and leaves as a table', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(`${kitchen.url}/logbook`);
  await page
    .getByRole('link', { name: /Rye-crumbed/ })
    .first()
    .click();
  const card = page.getByRole('region', { name: 'In and out' });
  const rows = Array.from({ length: 60 }, (_, i) => `${i * 8};${(5 + i * 1.2).toFixed(1).replace('.', ',')}`);
  const choosing = page.waitForEvent('filechooser');
  await card.getByRole('button', { name: 'A thermometer’s own file' }).click();
  await (
    await choosing
  ).setFiles({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(`sec;°C\n${rows.join('\n')}\n`) });
  await expect(card).toContainText('60 of 60 readings lie within this cook');
  await expect(card).toContainText('Times are seconds since it began');
  await expect(page.getByRole('region', { name: 'Inside, read over forecast' })).toBeVisible();
  await card.getByRole('textbox', { name: /^Laid later by/ }).fill('2');
  await page.keyboard.press('Tab');
  await expect(card).toContainText('from minute 2 to');
  await accessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    card.getByRole('link', { name: 'What was read as a table' }).click(),
  ]);
  expect(table.suggestedFilename()).toBe('readings.csv');

  // What is no table is refused in words, and what was laid stays.
  const again = page.waitForEvent('filechooser');
  await card.getByRole('button', { name: 'Another file' }).click();
  await (await again).setFiles({ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('Dear all') });
  await expect(page.getByText(/a table with at least two columns|at least two/).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Inside, read over forecast' })).toBeVisible();
  errors.length = 0; // the browser notes the refused request
});

const recipe = `Sticky oven wings
Serves 4

Ingredients
- 1 kg chicken wings, split
- 1 tbsp olive oil
- 2 tsp baking powder
- 1 tsp moon dust
- 2 tbsp comet crumbs
For the glaze:
- 4 tbsp honey
- 2 tbsp soy sauce

Method
1. Toss the wings with the oil and the baking powder.
2. Bake at 220 °C for 40 minutes, turning once.
3. Simmer the honey and the soy sauce, and toss.
`;

test('a recipe is read line by line, put right, brought to the fryer, and leaves again', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(kitchen.url);
  await page.getByRole('link', { name: 'A recipe from elsewhere' }).click();
  await page.getByRole('textbox', { name: /^The recipe, ingredients/ }).fill(recipe);
  await page.getByRole('button', { name: 'Read it' }).click();
  const read = page.getByRole('region', { name: 'What was understood' });
  await expect(read).toContainText('8 of 10 lines understood, 2 of them notes, 2 still open.');
  const lines = read.getByRole('list', { name: 'Lines' });
  await expect(lines.getByRole('listitem').filter({ hasText: 'moon dust' })).toContainText('Not understood');
  await expect(lines.getByRole('listitem').filter({ hasText: '4 tbsp honey' })).toContainText('for the sauce');
  await expect(read).toContainText('Why its times are others here.');
  await accessible(page);

  // What was not understood is put right at a tap, and what is no recipe leaves all as it was.
  await lines.getByRole('button', { name: 'Put right: 1 tsp moon dust' }).click();
  await page.getByRole('combobox', { name: 'Which ingredient' }).selectOption({ label: 'ground spices' });
  await page.keyboard.press('Escape');
  await expect(read).toContainText('9 of 10 lines understood, 2 of them notes, one still open.');
  // Or it is put into the pantry, with what its label says.
  await read.getByRole('button', { name: 'comet crumbs', exact: true }).click();
  const own = page.getByRole('dialog');
  await expect(own).toContainText('counted as none until you say it: salt, sugar, carbohydrate');
  await expect(own.getByRole('combobox', { name: 'What it is there for' })).toHaveValue('starch');
  await own.getByRole('textbox', { name: /^Salt/ }).fill('1.5');
  await accessible(page);
  await own.getByRole('button', { name: 'Put it in the pantry' }).click();
  await expect(read).toContainText('10 of 10 lines understood, 2 of them notes.');
  // A step, too: how the food is cooked.
  await lines.getByRole('button', { name: /^Put right: Bake at 220/ }).click();
  await own.getByRole('textbox', { name: 'How long' }).fill('35');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await expect(lines.getByRole('listitem').filter({ hasText: 'Bake at 220' })).toContainText('35 min, as you say.');
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });

  await read.getByRole('button', { name: 'Make the dish' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('Sticky oven wings');
  await expect(page.getByText('24 wing flats', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  // It leaves as a page to print, and as files.
  await page.getByRole('link', { name: 'This one as a recipe' }).click();
  await expect(page.getByRole('region', { name: 'Ingredients' })).toContainText('24 wing flats of about');
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText('Check with a thermometer: 74 °C');
  await accessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation').first()).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Sticky oven wings' })).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const [left] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'JSON-LD' }).click(),
  ]);
  const file = await left.path();
  await page.getByRole('link', { name: 'Its plan' }).click();
  await page.getByRole('link', { name: 'A recipe from elsewhere' }).click();
  const choosing = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Open a file' }).click();
  await (await choosing).setFiles({ name: 'dish.json', mimeType: 'application/ld+json', buffer: readFileSync(file) });
  await expect(page.getByText('It left a Velocrustum, and is the same dish again.')).toBeVisible();

  await page.getByRole('textbox', { name: /^The recipe, ingredients/ }).fill('hello');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByRole('alert')).toContainText('ingredients and steps');
  errors.length = 0; // the browser notes the refused request
});

/** Chooses a file by a button. */
async function choose(page: Page, button: Locator, file: { name: string; mimeType: string; buffer: Buffer }) {
  const choosing = page.waitForEvent('filechooser');
  await button.click();
  await (await choosing).setFiles(file);
}

test('a household leaves as one file, and what differs is decided on when it comes in', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(`${kitchen.url}/household`);
  const card = page.getByRole('region', { name: 'All of it, out and in' });
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    card.getByRole('link', { name: 'Take it all away' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^household-.*\.zip$/);
  const zip = { name: 'household.zip', mimeType: 'application/zip', buffer: readFileSync(await file.path()) };
  await choose(page, card.getByRole('button', { name: 'Bring one in' }), zip);
  await expect(card.getByRole('status')).toContainText('all of it is here already');
  await expect(card.getByRole('button', { name: 'Put it in' })).toHaveCount(0);

  await page.goto(kitchen.url);
  await page.getByRole('textbox', { name: 'Name of the dish' }).fill('Changed since');
  await expect
    .poll(async () => await (await page.request.get(`${kitchen.url}/api/v1/plans`)).text())
    .toContain('Changed since');
  await page.goto(`${kitchen.url}/household`);
  await choose(page, card.getByRole('button', { name: 'Bring one in' }), zip);
  await expect(card.getByText('One thing is here already, but not alike.')).toBeVisible();
  const put = card.getByRole('button', { name: 'Put it in' });
  await expect(put).toBeDisabled();
  const which = card.getByRole('list', { name: 'What differs' });
  await expect(which).toContainText('Changed since (dishes)');
  await which.getByRole('radio', { name: 'Both' }).check({ force: true });
  await accessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await put.click();
  await expect(card.getByRole('status')).toContainText('All of it is in');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(kitchen.url);
  await expect(page.getByRole('link', { name: /\(brought\)/ })).toBeVisible();

  // One that broke off is refused whole, and says so.
  await page.goto(`${kitchen.url}/household`);
  await choose(page, card.getByRole('button', { name: 'Bring one in' }), {
    ...zip,
    buffer: zip.buffer.subarray(0, zip.buffer.length / 2),
  });
  await expect(card.getByRole('alert')).toContainText('its end is missing');
  errors.length = 0;
});

test('pictures are kept upright with a cook, put in words, taken out and brought back', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(`${kitchen.url}/logbook`);
  const shot = await page.screenshot({ type: 'jpeg' });
  await expect(page.getByRole('img', { name: 'Nine crumbed pollock fingers, deep gold' })).toBeVisible();
  await page
    .getByRole('link', { name: /Caraway/ })
    .first()
    .click();
  const card = page.getByRole('region', { name: 'Pictures' });
  const button = card.getByRole('button', { name: 'Choose pictures' });
  await choose(page, button, { name: 'wedges.png', mimeType: 'image/png', buffer: shot });
  await card.getByRole('button', { name: 'Open the picture: Caraway potato wedges, 1' }).click();
  const large = page.getByRole('dialog');
  await expect(large.getByRole('img')).toHaveJSProperty('naturalWidth', 1280);
  await large.getByRole('textbox', { name: /^What is seen on it/ }).fill('Wedges in a bowl');
  await accessible(page);
  await page.keyboard.press('Enter');
  const thumb = card.getByRole('button', { name: 'Open the picture: Wedges in a bowl' });
  await expect(thumb).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.goto(`${kitchen.url}/logbook`);
  await expect(page.getByRole('img', { name: 'Wedges in a bowl' })).toBeVisible();
  await fits(page);
  await page.goBack();
  await thumb.click();
  await large.getByRole('button', { name: 'Take it out' }).click();
  await expect(thumb).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(thumb).toBeVisible();

  await choose(page, button, { name: 'wedges.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('<svg/>') });
  await expect(page.getByText(/a picture as JPEG, PNG or WebP/)).toBeVisible();
  errors.length = 0; // the browser notes the refused request
});

test('a logbook of a thousand cooks is drawn page by page, and searched', async ({ page, kitchen }) => {
  // The kitchen's own answer, as of a household that has cooked for years.
  await page.route('**/api/v1/cooks', async (route) => {
    const some = (await (await route.fetch()).json()) as { id: string; name: string; note?: string }[];
    await route.fulfill({
      json: Array.from({ length: 1000 }, (_, i) => {
        const one = some[i % some.length];
        return { ...one, id: `${one?.id ?? ''}-${i}`, note: i === 777 ? 'the one with the lock gates' : one?.note };
      }),
    });
  });
  await page.goto(`${kitchen.url}/logbook`);
  const entries = page.getByRole('main').getByRole('listitem');
  await expect(entries).toHaveCount(60);
  await page.getByRole('button', { name: 'Earlier ones (940 more)' }).click();
  await expect(entries).toHaveCount(120);
  await page.getByRole('searchbox', { name: 'Find among 1000' }).fill('the one with');
  await expect(entries).toHaveCount(1);
  await accessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.getByRole('searchbox').fill('no such thing');
  await expect(page.getByRole('status').filter({ hasText: 'There is none like that.' })).toBeVisible();
});

test('words that were not used are marked; another food is a dish of its own, and what is beside a side of a supper', async ({
  page,
  kitchen,
}) => {
  await page.goto(`${kitchen.url}/bring`);
  await page.getByRole('textbox', { name: /^The recipe, ingredients/ }).fill(`Tenders, wedges and slaw
600 g smoked chicken tenders
700 g potato wedges
2 tbsp oil
Slaw:
half a white cabbage, shredded
3 tbsp mayonnaise
Steps:
Air fry the wedges at 190 °C for 22 minutes, shaking twice.
Shred the cabbage, and stir in the mayonnaise.
Air fry the tenders at 195 °C for 14 minutes, turning halfway.`);
  await page.getByRole('button', { name: 'Read it' }).click();
  const read = page.getByRole('region', { name: 'What was understood' });
  await expect(read.locator('mark').filter({ hasText: 'smoked' })).toBeVisible();
  await expect(read).toContainText('Slaw: eaten beside.');
  await accessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await read.getByRole('button', { name: 'A dish of its own' }).click();
  await expect(read).toContainText('Potato wedges, a dish of its own.');
  await read.getByRole('button', { name: 'Make a supper of it all' }).click();
  await expect(page.getByRole('button', { name: 'Slaw', exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Potato wedges', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Shopping' })).toContainText('half a white cabbage');
});
