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
