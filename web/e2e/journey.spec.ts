import { say } from './led';
import { accessible, expect, fits, test } from './kitchen';

test('from the order line to the logbook', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('Crisp and safe together');
  await accessible(page);
  await fits(page);

  // What they have: fourteen wings, heavier, racked.
  await page.getByRole('button', { name: '11 wing flats' }).click();
  const pieces = page.getByRole('textbox', { name: 'Pieces in all' });
  await pieces.fill('9');
  await pieces.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: '43 g' }).click();
  await page.getByRole('textbox', { name: 'One piece weighs' }).fill('50');
  await page.keyboard.press('Enter');
  await accessible(page);
  await page.keyboard.press('Escape');
  // By keyboard alone, though the bench has its own word for it.
  await page.getByRole('button', { name: 'wiped dry' }).press('Enter');
  const outside = page.getByRole('radiogroup', { name: 'Outside' });
  await page.keyboard.press('Tab');
  await expect(outside.getByRole('radio').first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(outside.getByRole('radio', { name: 'Wiped, then two hours on a rack' })).toBeChecked();
  await page.keyboard.press('Enter');
  await expect(outside).toHaveCount(0);
  await expect(page.getByText('9 wing flats of about 50 g, fridge-cold and dried on the rack')).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();

  // It is still so after a reload.
  await page.reload();
  await expect(page.getByRole('button', { name: '9 wing flats' })).toBeVisible();

  // Cook it.
  await page.getByRole('button', { name: 'Cook this' }).click();
  await expect(page.getByRole('heading', { name: 'Heat the empty basket to 165 °C' })).toBeVisible();
  await expect(page.getByRole('timer')).toHaveText(/^[34]:\d\d$/);
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: 'Food is in' }).click();
  await expect(page.getByRole('heading', { name: 'Turn all nine, set 200 °C' })).toBeVisible();
  await expect(page.getByRole('timer')).toHaveText(/^1[12]:\d\d$/);
  await say(page, page.getByRole('button', { name: 'Turned and set' }));
  await expect(page.getByRole('heading', { name: 'Take all nine out' })).toBeVisible();
  await page.getByRole('button', { name: 'Two more minutes' }).click();
  await expect(page.getByRole('timer')).toHaveText(/^2[45]:\d\d$/);

  await page.getByRole('button', { name: 'Probe reading' }).click();
  const reading = page.getByRole('textbox', { name: 'In the thickest part' });
  // The estimate that the field begins with is no reading.
  await expect(page.getByRole('button', { name: 'Note it' })).toBeDisabled();
  await reading.fill('81');
  await reading.press('Enter');
  await page.getByRole('button', { name: 'Note it' }).click();
  // So warm so soon is asked about, not swallowed.
  const question = page.getByRole('dialog', { name: 'Far from what is believed' });
  await expect(question).toContainText('81 °C is much warmer than it can well be by now.');
  await question.getByRole('button', { name: 'Note it all the same' }).click();
  await expect(page.getByRole('list', { name: 'What was said' })).toContainText('read 81 °C');
  await say(page, page.getByRole('button', { name: 'It is out' }));

  // How it came out.
  await expect(page.getByRole('heading', { name: 'How did it come out?' })).toBeVisible();
  await page.getByText('as I like it').click();
  await page.getByText('juicy').click();
  await page.getByRole('textbox', { name: 'Note', exact: true }).fill('Loud all round.');
  await expect(page.getByText('Read 81 °C; the estimate was')).toBeVisible();
  await accessible(page);
  await fits(page);
  await page.getByRole('navigation').getByRole('link', { name: 'Logbook' }).click();
  const entry = page.getByRole('listitem').filter({ hasText: 'Loud all round.' });
  await expect(entry).toContainText('crust as I like it, inside juicy');
  await accessible(page);
  await fits(page);

  // Deleted, and brought back.
  await entry.getByRole('button', { name: /^Delete the cook/ }).click();
  await expect(entry).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(entry).toHaveCount(1);
});

test('the fryer shapes the plan', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/fryers`);
  const fryer = page.getByRole('region', { name: 'Square drawer' });
  await accessible(page);
  await fits(page);
  await fryer.getByRole('button', { name: 'basket of 23 by 23 cm' }).click();
  await page.getByRole('textbox', { name: 'Width, inside' }).fill('180');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(fryer.getByText('basket of 18 by 23 cm, to scale')).toBeVisible();
  await expect(fryer.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByText(/\d\d % covered, crowded/)).toBeVisible();
});
