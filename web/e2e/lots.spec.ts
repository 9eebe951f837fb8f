import { accessible, expect, fits, test } from './kitchen';

test('a dish becomes two lots, each with its own coat, sauce and minutes, on every device', async ({
  page,
  context,
  kitchen,
}) => {
  await page.goto(kitchen.url);
  await page.getByRole('link', { name: /^Harissa drumsticks/ }).click();
  const line = page.getByRole('main').getByRole('paragraph').first();
  await line.getByRole('button', { name: /^5 drumsticks/ }).click();
  await page.getByRole('button', { name: /^Split them/ }).click();
  await expect(line).toContainText('Beside them');
  await expect(line.getByRole('button', { name: /^3 drumsticks/ })).toBeVisible();
  await expect(line.getByRole('button', { name: /^2 drumsticks/ })).toBeVisible();

  // The second ones get a name, and go in later; by key a minute sooner; one step back is one change.
  await line.getByRole('button', { name: 'in all along' }).last().click();
  await page.getByRole('textbox', { name: 'What you call them' }).fill('mild ones');
  await page.getByRole('textbox', { name: 'They go in at' }).fill('5');
  await page.getByRole('textbox', { name: 'They go in at' }).press('Enter');
  await page.keyboard.press('Escape');
  const flag = page.getByRole('button', { name: /^mild ones in \d/ });
  await expect(flag).toHaveAccessibleName('mild ones in 5 min in');
  await flag.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(flag).toHaveAccessibleName('mild ones in 4 min in');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(flag).toHaveAccessibleName('mild ones in 5 min in');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('mild ones');
  await accessible(page);

  // Side by side on the bench; a sauce for them alone in the pan.
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByRole('heading', { name: /2 mild ones/ })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Pan' }).click();
  await page.getByRole('region', { name: 'Sauces of your own' }).getByRole('button').first().click();
  await page.getByRole('button', { name: 'all pieces' }).click();
  await page.getByRole('radiogroup', { name: 'For whom' }).getByText('The mild ones').click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'the mild ones' })).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();

  // A phone has all of it, one lot at a time, and loses none.
  const phone = await context.newPage();
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto(page.url().replace('/pan/', '/bench/'));
  await phone.getByText('2 mild ones').click();
  await fits(phone);
  await phone.goto(page.url().replace('/pan/', '/plan/'));
  await expect(phone.getByRole('button', { name: /^mild ones in 5 min in/ })).toBeVisible();
  await fits(phone);
});
