import { accessible, expect, fits, test } from './kitchen';

test('from the cut to the coat and back to the race', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  const stations = page.getByRole('list', { name: 'Stations' });
  await expect(stations.getByRole('region', { name: 'Dry' })).toContainText('Wipe with paper');
  await accessible(page);

  // Cutting: how even they are has its price in the window.
  await page.getByRole('button', { name: 'Cutting' }).click();
  const cut = stations.getByRole('region', { name: 'Cut' });
  await cut.getByText('As they come').click();
  await expect(cut).toContainText('Nineteen in twenty within 16 %');

  // Drying on the rack.
  const dry = stations.getByRole('region', { name: 'Dry' });
  await dry.getByText('Wipe, then the rack in the fridge').click();
  await expect(dry).toContainText('Wipe, then 2 h on a rack');
  await dry.getByRole('button', { name: 'What if I skip this?' }).click();
  await expect(dry).toContainText('Without the dry:');

  // Salt by weight and by the spoon, the profile, and a brine instead.
  await page.getByRole('button', { name: 'Salt', exact: true }).click();
  const salt = stations.getByRole('region', { name: 'Salt' });
  await expect(salt).toContainText(/\d\.\d g of salt: .* of fine table salt/);
  const grams = /(\d\.\d) g of salt/.exec((await salt.textContent()) ?? '')?.[1];
  await salt.getByRole('combobox', { name: 'Salt at hand' }).selectOption('light flake salt');
  await expect(salt).toContainText('of light flake salt');
  expect(await salt.textContent()).toContain(`${grams ?? '?'} g of salt`); // the weight stands, the spoons change
  await expect(salt.getByRole('img', { name: /^Salt from .* at the surface/ })).toBeVisible();
  await salt.getByText('Wet brine').click();
  await expect(salt).toContainText('50 g of salt');

  // A marinade, in amounts as people say them.
  await page.getByRole('button', { name: 'A marinade' }).click();
  const marinade = stations.getByRole('region', { name: 'Marinate' });
  await marinade.getByRole('combobox').selectOption('plain yoghurt');
  const yoghurt = marinade.getByRole('textbox', { name: 'plain yoghurt' });
  await yoghurt.fill('½ cup');
  await yoghurt.press('Enter');
  await expect(yoghurt).toHaveValue('130 g');
  await expect(marinade).toContainText('Good: best around 8 h');
  await accessible(page);

  // Coat and oil, and what it comes to on the plate.
  const coat = stations.getByRole('region', { name: 'Coat and oil' });
  await coat.getByText('Mist', { exact: true }).click();
  await expect(coat).toContainText('No spray with propellant');
  await expect(page.getByRole('region', { name: 'On the plate' }).getByRole('row', { name: /^Fat/ })).toContainText(
    'g',
  );
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();

  // The race knows.
  await page.getByRole('button', { name: 'To the race' }).click();
  await expect(page.getByRole('button', { name: 'dried 2 h on the rack' })).toBeVisible();
  await expect(page.getByRole('button', { name: '2 h in brine and 2 h in the marinade' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'dried 2 h on the rack' })).toBeVisible();

  // And back: a step left out, and undone.
  await page.getByRole('button', { name: '2 h in brine and 2 h in the marinade' }).click();
  await page.getByRole('button', { name: 'To the bench' }).click();
  await stations.getByRole('region', { name: 'Salt' }).getByRole('button', { name: 'Leave it out' }).click();
  await expect(stations.getByRole('region', { name: 'Salt' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(stations.getByRole('region', { name: 'Salt' })).toBeVisible();
});

test('an amount that is no amount is said, and nothing is lost', async ({ page, kitchen, errors }) => {
  await page.goto(`${kitchen.url}/bench`);
  await page.getByRole('button', { name: 'A finish or sauce' }).click();
  const finish = page.getByRole('region', { name: 'Finish' });
  await finish.getByRole('combobox').selectOption('light soy sauce');
  const soy = finish.getByRole('textbox', { name: 'light soy sauce' });
  await soy.fill('a glug');
  await soy.press('Enter');
  await expect(finish.getByRole('alert')).toContainText('"glug" is no measure');
  await expect(soy).toHaveValue('a glug');
  errors.length = 0; // the browser notes the refused request
  await soy.fill('2 tbsp');
  await soy.press('Enter');
  await expect(soy).toHaveValue('35.1 g');
  await expect(finish).toContainText('It brings 5.3 g of salt');
});

test('the pantry takes the figures of one’s own label, on a phone too', async ({ page, kitchen }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kitchen.url}/bench`);
  await expect(page.getByRole('list', { name: 'Stations' })).toBeVisible();
  await fits(page);
  await page.getByRole('navigation').getByRole('link', { name: 'Pantry' }).click();
  await page.getByRole('searchbox', { name: 'Find' }).fill('miso');
  const miso = page.getByRole('region', { name: 'light miso' });
  await miso.getByRole('button', { name: 'Change' }).click();
  const salt = page.getByRole('textbox', { name: 'Salt, g in 100 g' });
  await salt.fill('9.5');
  await salt.press('Enter');
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(miso).toContainText('Your own figures.');
  await expect(miso).toContainText('salt 9.5 g');
  await fits(page);
  await miso.getByRole('button', { name: 'As it ships' }).click();
  await expect(miso).toContainText('salt 11 g');
});

test('prawns are butterflied once, their marinade is scaled, and the dish is priced', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('link', { name: /^Chickpea-flour prawns/ }).click();
  await expect(page.getByRole('button', { name: '8 prawns' })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Chickpea-flour prawns');
  await page.getByRole('button', { name: 'A marinade' }).click();
  const marinade = page.getByRole('region', { name: 'Marinate' });
  await marinade.getByRole('combobox').selectOption('lemon juice');
  await expect(marinade).toContainText('Too long: chalky outside'); // prawns, two hours in acid
  const hours = marinade.getByRole('textbox', { name: 'For, hours' });
  await hours.fill('0.25');
  await hours.press('Enter');
  await expect(marinade).toContainText('Good: best around 20 min, most 30 min');

  const coat = page.getByRole('region', { name: 'Coat and oil' });
  await expect(coat.getByRole('list', { name: 'Bowls in order' }).getByRole('listitem')).toHaveCount(3);
  await coat.getByText('Chickpea, gluten-free').click();
  await expect(coat).toContainText('chickpea flour');

  const price = page.getByRole('textbox', { name: 'Meat or fish, price of 1 kg' });
  await price.fill('24');
  await price.press('Enter');
  await expect(page.getByText(/It costs \d+\.\d\d in all, \d+\.\d\d a serving/)).toBeVisible();

  await page.getByRole('button', { name: 'Cutting' }).click();
  const cut = page.getByRole('region', { name: 'Cut', exact: true });
  await cut.getByText('Wrap them').click();
  await expect(cut).toContainText('seam down');
  // More of them by weight: the marinade made for less is scaled by one tap.
  await marinade.getByRole('button', { name: /^Scale it to 252 g$/ }).click();
  await expect(marinade.getByRole('textbox', { name: 'lemon juice' })).toHaveValue('27.1 g');
  await cut.getByText('Butterfly them').click();
  await expect(cut).toContainText('8 butterflied prawns of 18 g');
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.reload();
  await expect(cut).toContainText('8 butterflied prawns of 18 g');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'To the race' }).click();
  await expect(page.getByRole('button', { name: '8 butterflied prawns' })).toBeVisible();
});
