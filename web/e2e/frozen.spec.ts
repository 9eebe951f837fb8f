import { accessible, expect, test } from './kitchen';

test('wings come from the freezer, go in so or thaw first, and chips come in their bag', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const verdict = page.getByRole('region', { name: 'Verdict' });
  const part = (name: string) => page.getByRole('button', { name, exact: true });
  const pick = async (name: string | RegExp) => {
    await page.getByRole('dialog').getByRole('radio', { name }).focus();
    await page.keyboard.press('Space');
  };
  await part('fridge-cold').click();
  await pick('the freezer');
  await expect(part('from the freezer')).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(verdict).toContainText('flesh that has thawed beside ice reads far too warm');
  // Nobody wipes what is frozen.
  await expect(part('wiped dry')).toHaveCount(0);
  await part('from the freezer').click();
  await pick('Thawed in the fridge');
  await page.keyboard.press('Escape');
  await expect(part('thawed in the fridge')).toBeVisible();
  await expect(verdict).not.toContainText('beside ice');

  await part('11 wing flats').click();
  await page.getByRole('combobox', { name: /^Or bought for the fryer/ }).selectOption('Chips, 10 mm');
  await expect(page.getByText('For an oven packets say 220 °C, 22 min.', { exact: false })).toBeVisible();
  await expect(part('70 chips')).toBeVisible();
  await expect(part('from the freezer and par-fried, cooked inside')).toBeVisible();
  await expect(verdict).toContainText('Hot inside, 95 loads in 100');

  // What was left over is heated once.
  await part('from the freezer and par-fried, cooked inside').click();
  await pick('the fridge');
  await pick('Cooked, and left over');
  await page.keyboard.press('Escape');
  await expect(part('fridge-cold and cooked before')).toBeVisible();
  await expect(verdict).toContainText('heat it once');
});
