import { accessible, expect, fits, phrase, stays, test } from './kitchen';

test('from the cut to the coat and back to the race', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  const stations = page.getByRole('group', { name: 'Stations' });
  await expect(stations.getByRole('region', { name: 'Dry' })).toContainText('Wipe with paper');
  await accessible(page);

  // The counter: when each thing is, as a supper has it; a wait is moved by keys.
  const counter = page.getByRole('group', { name: 'The counter' });
  await expect(
    counter.getByRole('img', { name: /Wipe eleven wing flats.*into the basket.*on the table/ }),
  ).toBeVisible();
  await expect(stations.getByRole('region', { name: 'Salt' })).toContainText(/Salt · \d\d:\d\d, 2 min/);
  const waits = counter.getByRole('button', { name: /^in salt: 2 h; least 15 min, most 24 h\. Begins at/ });
  await waits.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(counter.getByRole('button', { name: /^in salt: 2 ½ h/ })).toBeVisible();
  await expect(stations.getByRole('region', { name: 'Salt' })).toContainText('rubbed on dry, 2 ½ h');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(waits).toBeVisible();

  // Cutting: how even they are has its price in the window.
  await page.getByRole('button', { name: 'Cutting' }).click();
  const cut = stations.getByRole('region', { name: 'Cut' });
  await phrase(cut, /thick/);
  await cut.getByText('As they come').click();
  await expect(cut).toContainText('Nineteen in twenty within 16 %');

  // Drying on the rack.
  const dry = stations.getByRole('region', { name: 'Dry' });
  await phrase(dry, /^Wipe/);
  await dry.getByText('Wipe, then the rack in the fridge').click();
  await expect(dry).toContainText('Wipe, then 2 h on a rack');
  await dry.getByText('And without it?').click();
  await expect(dry).toContainText('Without it:');

  // Salt by weight and by the spoon, the profile, and a brine instead.
  await stations.getByRole('region', { name: 'Salt' }).getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'Salt', exact: true }).click();
  const salt = stations.getByRole('region', { name: 'Salt' });
  await expect(salt).toBeFocused(); // the button is gone, the keyboard goes on from what it brought
  await expect(salt).toContainText(/\d\.\d g of salt: .* of fine table salt/);
  const grams = /(\d\.\d) g of salt/.exec((await salt.textContent()) ?? '')?.[1];
  await phrase(salt, /of salt/);
  await salt.getByRole('combobox', { name: 'Salt at hand' }).selectOption('light flake salt');
  await expect(salt).toContainText('of light flake salt');
  expect(await salt.textContent()).toContain(`${grams ?? '?'} g of salt`); // the weight stands, the spoons change
  await expect(salt.getByRole('img', { name: /^Salt from .* at the surface/ })).toBeVisible();
  await phrase(salt, /^2 h/);
  await salt.getByText('A little', { exact: true }).click();
  await expect(salt).toContainText('The middle gets 20 % as salty as the whole after');
  await salt.getByRole('button', { name: /^Give it \d+(\.\d)? hours$/ }).click();
  await expect(salt.getByRole('button', { name: /^Give it/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await phrase(salt, /^rubbed on dry/);
  await salt.getByText('Wet brine').click();
  await expect(salt).toContainText('50 g of salt');

  // A marinade, in amounts as people say them.
  await page.getByRole('button', { name: 'A marinade' }).click();
  const marinade = stations.getByRole('region', { name: 'Marinate' });
  await phrase(marinade, 'What is in it?');
  await marinade.getByRole('combobox', { name: 'Add to marinade' }).selectOption('plain yoghurt');
  const yoghurt = marinade.getByRole('textbox', { name: 'plain yoghurt' });
  await yoghurt.fill('½ cup');
  await yoghurt.press('Enter');
  await expect(yoghurt).toHaveValue('130 g');
  await expect(marinade).toContainText('Good: best around 8 h');
  await accessible(page);

  // Coat and oil, and what it comes to on the plate.
  const coat = stations.getByRole('region', { name: 'Coat and oil' });
  await phrase(coat, /oil/);
  await coat.getByText('Mist', { exact: true }).click();
  await expect(coat).toContainText('No spray with propellant');
  await page.getByText('Servings, all figures, prices').click();
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
  await page.getByRole('button', { name: 'A finish by hand' }).click();
  const finish = page.getByRole('region', { name: 'Finish' });
  await phrase(finish, /on all of it|What is in it|basket/);
  await finish.getByRole('combobox').selectOption('light soy sauce');
  const soy = finish.getByRole('textbox', { name: 'light soy sauce' });
  await soy.fill('a whiff');
  await soy.press('Enter');
  await expect(finish.getByRole('alert')).toContainText('"whiff" is no measure');
  await expect(soy).toHaveValue('a whiff');
  errors.length = 0; // the browser notes the refused request
  await soy.fill('2 tbsp');
  await soy.press('Enter');
  await expect(soy).toHaveValue('35.1 g');
  await expect(finish).toContainText('It brings 6.6 g of salt');
  await soy.fill('1–2 heaped tbsp');
  await soy.press('Enter');
  await expect(finish).toContainText('Taken: 1 ½, the middle of 1 to 2; heaped as 1.6 of a level one.');
});

test('the pantry takes the figures of one’s own label, on a phone too', async ({ page, kitchen }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kitchen.url}/bench`);
  await expect(page.getByRole('group', { name: 'Stations' })).toBeVisible();
  await fits(page);
  await stays(page, 'Pantry');
  await page.getByRole('searchbox', { name: 'Find' }).fill('miso');
  await expect(page.getByRole('button', { name: 'light miso' })).toBeVisible();
  await accessible(page);
  await page.getByRole('radio', { name: 'All figures' }).click();
  const miso = page.getByRole('row', { name: /^light miso/ });
  const salt = page.getByRole('textbox', { name: 'light miso: Salt, g in 100 g' });
  await salt.fill('950');
  await salt.press('Enter');
  await expect(page.getByText('“950” is not possible; allowed: 0 to 100.')).toBeVisible();
  await expect(salt).toHaveValue('950'); // nothing lost
  await salt.fill('9,5');
  await salt.press('Enter');
  await accessible(page);
  await expect(salt).toHaveValue('9.5');
  await fits(page);
  await miso.getByRole('button', { name: 'As it ships' }).click();
  await expect(salt).toHaveValue('11');
});

test('prawns are butterflied once, their marinade is scaled, and the dish is priced', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: /^All \d+ dishes$/ }).click();
  await page.getByRole('link', { name: /^Chickpea-flour prawns/ }).click();
  await expect(page.getByRole('button', { name: '8 prawns' })).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Chickpea-flour prawns');
  await page.getByRole('button', { name: 'A marinade' }).click();
  const marinade = page.getByRole('region', { name: 'Marinate' });
  await phrase(marinade, 'What is in it?');
  await marinade.getByRole('combobox', { name: 'Add to marinade' }).selectOption('lemon juice');
  await expect(marinade).toContainText('Too long: chalky outside'); // prawns, two hours in acid
  await phrase(marinade, /^2 h/);
  const hours = marinade.getByRole('textbox', { name: 'For, hours' });
  await hours.fill('0.25');
  await hours.press('Enter');
  await expect(marinade).toContainText('Good: best around 20 min, most 30 min');

  const coat = page.getByRole('region', { name: 'Coat and oil' });
  await expect(coat).toContainText(/Put out .*, then .*, then/);
  await phrase(coat, /^Put out/);
  await coat.getByText('Chickpea, gluten-free').click();
  await expect(coat).toContainText('chickpea flour');

  await page.getByText('Servings, all figures, prices').click();
  const price = page.getByRole('textbox', { name: 'Meat or fish, price of 1 kg' });
  await price.fill('24');
  await price.press('Enter');
  await expect(page.getByText(/It costs \d+\.\d\d in all, \d+\.\d\d a serving/)).toBeVisible();

  await page.getByRole('button', { name: 'Cutting' }).click();
  const cut = page.getByRole('region', { name: 'Cut', exact: true });
  await phrase(cut, /thick/);
  await cut.getByText('Wrap them').click();
  await expect(cut).toContainText('seam down');
  // More of them by weight: the marinade is for that.
  await phrase(marinade, 'lemon juice');
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

test('a marinade is taken for this weight, swapped, kept and forgotten', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/bench`);
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Turmeric-yoghurt thigh pieces');
  const marinade = page.getByRole('region', { name: 'Marinate' });
  await phrase(marinade, /yoghurt/);
  await marinade.getByRole('combobox', { name: 'One of your own' }).selectOption('Turmeric yoghurt');
  // 130 g for 400 g of meat are 117 for 360.
  const yoghurt = marinade.getByRole('textbox', { name: 'plain yoghurt' });
  await expect(yoghurt).toHaveValue('117 g');
  await expect(marinade).toContainText('½ cup');
  await expect(marinade).toContainText('of the dry seasoning are kept for the coat');

  await marinade.getByRole('button', { name: 'None in? plain yoghurt' }).click();
  await accessible(page);
  await page.getByRole('button', { name: '117 g of buttermilk' }).click();
  await expect(marinade.getByRole('textbox', { name: 'buttermilk' })).toHaveValue('117 g');
  await expect(yoghurt).toHaveCount(0);

  await marinade.getByRole('button', { name: 'Keep it under a name' }).click();
  await page.getByRole('textbox', { name: 'Its name' }).fill('With buttermilk');
  await page.keyboard.press('Enter');
  await expect(page.getByText('With buttermilk is kept.')).toBeVisible();
  await expect(marinade.getByRole('combobox', { name: 'One of your own' })).toHaveValue(/.+/);
  await marinade.getByRole('button', { name: 'Forget With buttermilk' }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await page.reload();
  await phrase(marinade, /yoghurt|buttermilk/);
  await expect(
    marinade.getByRole('combobox', { name: 'One of your own' }).getByRole('option', { name: 'With buttermilk' }),
  ).toBeAttached();
});

test('pieces from a whole weight, in another coat, with the spoons of another country', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/bench`);
  await page.getByRole('combobox', { name: 'Dish' }).selectOption('Rye-crumbed pollock fingers');
  await page.getByRole('button', { name: 'Cutting' }).click();
  await phrase(page.getByRole('region', { name: 'Cut', exact: true }), /thick/);
  const whole = page.getByRole('textbox', { name: /^Cut from a whole weight of/ });
  await whole.fill('480');
  await whole.press('Enter');
  const pieces = page.getByRole('textbox', { name: 'Into pieces' });
  await pieces.fill('12');
  await pieces.press('Enter');
  await expect(page.getByRole('region', { name: 'Cut', exact: true })).toContainText('12 fish fingers of 40 g');

  const coat = page.getByRole('region', { name: 'Coat and oil' });
  await phrase(coat, /coat of your own/);
  await coat.getByRole('combobox', { name: 'Coat' }).selectOption('flour dust');
  await expect(coat.getByRole('img', { name: /^On the food: .* of wheat flour$/ })).toBeVisible();
  await phrase(coat, /^Put out/);
  await coat.getByText('Baking powder in the flour').click();
  await expect(coat).toContainText('of baking powder (');
  await expect(coat).toContainText('Holds fish, milk, mustard and wheat.');

  const salt = page.getByRole('region', { name: 'Salt', exact: true });
  await phrase(salt, /^(rubbed|a brine|a soak)/);
  await salt.getByText('Soak').click();
  await expect(salt).toContainText('of buttermilk');
  await phrase(salt, /of salt/);
  await salt.getByText('Water', { exact: true }).click();
  await expect(salt).toContainText('10 g of salt (1 ¾ tsp) in 1 l of water, 30 min');

  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByText('Australian').click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();

  // The plan has them, and cutting is not done twice.
  await page.getByRole('button', { name: 'To the race' }).click();
  await expect(page.getByRole('button', { name: '12 fish fingers' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'dusted with flour' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('region', { name: 'Cut', exact: true })).toContainText('12 fish fingers of 40 g');
});

test('an ingredient of one’s own goes into the pantry and onto the bench', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/pantry?figures`);
  await page.getByRole('button', { name: 'An ingredient of your own' }).click();
  const name = page.getByRole('textbox', { name: 'Its name' });
  await name.fill('Light miso');
  await expect(page.getByRole('alert')).toContainText('already');
  await name.fill('Boatyard chilli paste');
  await page.getByRole('combobox', { name: 'What it is there for' }).selectOption('Spice, herb, paste');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'An ingredient of your own' }).click();
  await expect(name).toHaveValue('Boatyard chilli paste'); // nothing lost
  await page.getByRole('button', { name: 'Put it in the pantry' }).click();
  const own = page.getByRole('row', { name: /^Boatyard chilli paste/ });
  await own.getByRole('button', { name: 'Boatyard chilli paste, change' }).click();
  const sugar = page.getByRole('textbox', { name: 'Sugar, g in 100 g', exact: true });
  await sugar.fill('12');
  await sugar.press('Enter');
  await expect(
    page.getByRole('textbox', { name: 'Carbohydrate, sugar included, g in 100 g', exact: true }),
  ).toHaveValue('12');
  await page.getByRole('textbox', { name: 'Allergens, with commas' }).fill('Sesame, soy');
  await page.keyboard.press('Escape');
  await expect(own).toContainText('sesame, soy');

  await page.getByRole('navigation').getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('button', { name: 'A finish by hand' }).click();
  await phrase(page.getByRole('region', { name: 'Finish' }), /on all of it|What is in it|basket/);
  await page.getByRole('region', { name: 'Finish' }).getByRole('combobox').selectOption('Boatyard chilli paste');
  await expect(page.getByRole('region', { name: 'On the plate' })).toContainText('sesame, soy');

  await stays(page, 'Pantry');
  await page.getByRole('radio', { name: 'All figures' }).click();
  await page.getByRole('searchbox', { name: 'Find' }).fill('boatyard');
  await own.getByRole('button', { name: 'Take it out' }).click();
  await expect(own).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring mine back' }).click();
  await expect(page.getByRole('textbox', { name: 'Boatyard chilli paste: Sugar, g in 100 g' })).toHaveValue('12');
});

test('a coat is made of what there is, kept under a name, and worn by another dish', async ({ page, kitchen }) => {
  const openBench = async (dish: RegExp) => {
    await page.goto(kitchen.url);
    await page.getByRole('button', { name: /^All \d+ dishes$/ }).click();
    const link = page.getByRole('link', { name: dish });
    await page.goto(`${kitchen.url}${(await link.getAttribute('href'))?.replace('/plan/', '/bench/') ?? ''}`);
  };
  await openBench(/^Turmeric-yoghurt thigh pieces/);
  await phrase(page.getByRole('region', { name: 'Coat and oil' }), /dredge/);
  await page.getByText('What it is made of', { exact: true }).click();
  const layers = page.getByRole('list', { name: 'Layers of the coat' });
  await expect(layers.getByRole('listitem')).toHaveCount(3);
  await page.getByRole('combobox', { name: 'Layer 3, part 1' }).selectOption({ label: 'crushed pork crackling' });
  // What holds it is said, and no wheat is left in it.
  const coat = page.getByRole('region', { name: 'Coat and oil' });
  await expect(coat.getByText(/^Put out .* of crushed pork crackling/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave out layer 1' }).click();
  await expect(layers.getByRole('listitem')).toHaveCount(2);
  await expect(coat.getByText(/^Put out 1 egg, then .* of crushed pork crackling/)).toBeVisible();
  await expect(coat.getByText(/^Holds .*egg/)).toBeVisible();
  await expect(coat.getByText(/^Holds .*wheat/)).toHaveCount(0);
  // So far it is one that the household has; thinner, it is a new one.
  await expect(coat.getByRole('button', { name: 'Forget Crackling crust' })).toBeVisible();
  const sticks = coat.getByRole('textbox', { name: /^Stays on 100 cm²/ }).nth(1);
  await sticks.fill('5');
  await sticks.press('Enter');
  await coat.getByRole('button', { name: 'Keep it under a name' }).click();
  await page.getByRole('textbox', { name: 'Its name' }).fill('Thin crackling');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('Thin crackling is kept.')).toBeVisible();
  await page.getByRole('button', { name: 'To the race' }).click();
  await expect(page.getByRole('button', { name: 'in egg, then crushed pork crackling and oiled' })).toBeVisible();

  await openBench(/^Fennel-salt pork belly slices/);
  await phrase(page.getByRole('region', { name: 'Coat and oil' }), /no coat|rub|coat/);
  await page.getByRole('combobox', { name: 'Coat', exact: true }).selectOption({ label: 'Thin crackling' });
  await page.getByText('What it is made of', { exact: true }).click();
  await expect(layers.getByRole('listitem')).toHaveCount(2);
  await accessible(page);
});
