import { readFileSync } from 'node:fs';
import { accessible, expect, fits, test } from './kitchen';

test('a thermometer’s own file is laid over a cook, shifted, and leaves as a table', async ({
  page,
  kitchen,
  errors,
}) => {
  await page.goto(`${kitchen.url}/logbook`);
  await page
    .getByRole('link', { name: /^Rye-crumbed/ })
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
  await expect(read).toContainText('6 of 9 lines understood, 2 kept as notes, 1 not understood.');
  const lines = read.getByRole('list', { name: 'Lines' });
  await expect(lines.getByRole('listitem').filter({ hasText: 'moon dust' })).toContainText('Not understood');
  await expect(lines.getByRole('listitem').filter({ hasText: '4 tbsp honey' })).toContainText('for the sauce');
  await expect(read).toContainText('Why its times are others here.');
  await accessible(page);

  // What was not understood is put right at a tap, and what is no recipe leaves all as it was.
  await lines.getByRole('button', { name: 'Put right: 1 tsp moon dust' }).click();
  await page.getByRole('combobox', { name: 'Which ingredient' }).selectOption({ label: 'ground spices' });
  await page.keyboard.press('Escape');
  await expect(read).toContainText('7 of 9 lines understood, 2 kept as notes.');
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });

  await read.getByRole('button', { name: 'Make the dish' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('Sticky oven wings');
  await expect(page.getByText('24 wing flats', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  const [left] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'This one as JSON-LD' }).click(),
  ]);
  const file = await left.path();
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
