import { accessible, expect, fits, test } from './kitchen';

test('from an empty pan to the plate’s salt', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Harissa drumsticks');
  const sums = page.getByRole('region', { name: 'On the plate' });
  await expect(sums).not.toContainText('from the sauce');
  await page.getByRole('navigation').getByRole('link', { name: 'Pan' }).click();
  await expect(page.getByText('No sauce yet.')).toBeVisible();
  await page.getByRole('button', { name: 'An empty pan' }).click();

  // Half a cup of soy sauce and half a cup of honey, as people say them.
  const inIt = page.getByRole('region', { name: 'What is in it' });
  await inIt.getByRole('textbox', { name: 'Its name' }).fill('Salty and sweet');
  await inIt.getByRole('combobox', { name: 'Add to sauce' }).selectOption('light soy sauce');
  await inIt.getByRole('textbox', { name: 'light soy sauce' }).fill('1/2 cup');
  await inIt.getByRole('textbox', { name: 'light soy sauce' }).press('Enter');
  await inIt.getByRole('combobox', { name: 'Add to sauce' }).selectOption('honey');
  await inIt.getByRole('textbox', { name: 'honey' }).fill('1/2 cup');
  await inIt.getByRole('textbox', { name: 'honey' }).press('Enter');
  await inIt.getByRole('combobox', { name: 'Add to sauce' }).selectOption('water');
  await inIt.getByRole('textbox', { name: 'water' }).fill('1 cup');
  await inIt.getByRole('textbox', { name: 'water' }).press('Enter');
  await expect(inIt).toContainText('for this load');

  const todo = page.getByRole('region', { name: 'What to do' });
  await expect(todo).toContainText('it coats a spoon');
  await page.getByRole('button', { name: 'boiled down' }).click();
  await page.getByText('Thickened with starch').click();
  await expect(todo).toContainText('of corn starch into');
  await page.getByRole('button', { name: 'corn starch' }).click();
  await page.getByRole('radiogroup', { name: 'Starch' }).getByText('wheat flour').click();
  await expect(todo).toContainText('until it no longer tastes of flour');
  await page.keyboard.press('Escape');

  // Thicker, and on sooner, by keyboard; each answers, and one step back is one change.
  const thick = page.getByRole('button', { name: /^How thick: 8 g/ });
  await thick.focus();
  await page.keyboard.press('PageUp');
  await expect(page.getByRole('button', { name: /^How thick: 10 g/ })).toBeVisible();
  await page.getByRole('button', { name: /^Heat of the hob: at a simmer/ }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('button', { name: /^Heat of the hob: at a hard boil/ })).toBeVisible();
  await page.getByRole('button', { name: /^The pan on / }).focus();
  for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowLeft');
  await expect(todo).toContainText('before the food, and waits.');
  await page.getByRole('button', { name: 'Ready when the food is' }).click();
  await expect(todo).not.toContainText('before the food');
  await accessible(page);

  // What it does to the crust, and the advice taken.
  const crust = page.getByRole('region', { name: 'What it does to the crust' });
  await expect(crust.getByRole('row', { name: /tossed at once/ })).toBeVisible();
  await crust.getByRole('button', { name: /^Do it / }).click();
  await expect(page.getByRole('button', { name: /^(on one face of|beside)$/ })).toBeVisible();

  // Kept under its name, and counted on the plate: only what is eaten.
  await inIt.getByRole('button', { name: 'Keep it under a name' }).click();
  await page.getByRole('dialog').getByRole('textbox', { name: 'Its name' }).fill('Salty and sweet');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Salty and sweet is kept.')).toBeVisible();
  await expect(todo).toHaveAttribute('aria-busy', 'false'); // the answer is that of the last change
  await page.getByText(/^Eaten: /).click();
  const eaten = await page.getByRole('group', { name: 'What is eaten of it' }).innerText();
  const salt = /Salt in that\s+([\d.]+ g)/.exec(eaten)?.[1] ?? 'none';
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await sums.getByText('Servings, all figures, prices').click();
  await expect(sums).toContainText(`${salt} from the sauce`);
  await expect(page.getByRole('region', { name: 'Finish' })).toContainText('Salty and sweet');
  await expect(sums).toContainText('soy');
});

test('two sauces over one batch, a mix from its jar, on a phone in the dark', async ({ page, kitchen, errors }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kitchen.url}/pan`);
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Drumettes of three flavours');
  const add = page.getByRole('region', { name: 'Sauces of your own' });
  await add.getByRole('button', { name: /^Plum and ginger/ }).click();
  await page.getByRole('button', { name: 'all pieces' }).click();
  await page.getByRole('textbox', { name: 'Share of the pieces, %' }).fill('50');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await add.getByRole('button', { name: /^All / }).click();
  await add.getByRole('button', { name: /^Jam and chilli/ }).click();
  await expect(page.getByRole('radio', { name: '2. Jam and chilli' })).toBeChecked();
  await expect(page.getByRole('button', { name: '50 % of them' })).toBeVisible();
  await page.getByRole('button', { name: 'A mix', exact: true }).click();
  await page.getByRole('button', { name: 'Paprika and garlic', exact: true }).click();
  const mix = page.getByRole('region', { name: 'Paprika and garlic' });
  await expect(mix).toContainText('The jar lasts for');
  await mix.getByRole('button', { name: /paprika/ }).click();
  const jar = mix.getByRole('textbox', { name: 'In the jar, g' });
  await jar.fill('5');
  await jar.press('Enter');
  await expect(mix).toContainText('The jar has not enough for this');
  await accessible(page);
  await fits(page);
  // More than all pieces is refused in words, and nothing is lost.
  await page.getByRole('radio', { name: '1. Plum and ginger' }).click();
  await page.getByRole('button', { name: '50 % of them' }).click();
  await page.getByRole('textbox', { name: 'Share of the pieces, %' }).fill('80');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The sauces: 130 % of the pieces is not possible');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('alert')).toHaveCount(0);
  errors.length = 0; // the browser notes the refused request
});
