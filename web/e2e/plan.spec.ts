import { accessible, expect, prawnsBesideDrumsticks, stays, test } from './kitchen';

test('stages and turns by keyboard, undone and redone', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: 'Stage 1: 165 °C · 12 min' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('button', { name: 'Stage 1: 170 °C · 12 min' })).toBeFocused();
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Stage 1: 150 °C · 13 min' })).toBeVisible();
  await page.getByRole('button', { name: 'Turn 12 min in' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: 'Turn 11 min in' })).toBeVisible();
  // Quick steps of one thing are one undo, so count by what is left.
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  const redo = page.getByRole('button', { name: 'Redo', exact: true });
  while (await undo.isEnabled()) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Stage 1: 165 °C · 12 min' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Turn 12 min in' })).toBeVisible();
  while (await redo.isEnabled()) await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('button', { name: 'Stage 1: 150 °C · 13 min' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Turn 11 min in' })).toBeVisible();

  // A hotter, longer program is said aloud and shows in the verdict.
  await page.getByRole('button', { name: 'Stage 2: 200 °C · 11 min' }).click();
  await page.getByRole('textbox', { name: 'For' }).fill('5');
  await page.keyboard.press('Enter');
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('list', { name: 'Cautions' })).toContainText('The crust ends');
  await page
    .getByRole('button', { name: /^Let it run \d+ min/ })
    .first()
    .click();
  await expect(page.getByText('The crust ends')).toHaveCount(0);
});

test('the window answers a change quickly', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const figures = page.getByRole('region', { name: 'Verdict' }).getByRole('heading');
  const before = await figures.textContent();
  await page.getByRole('button', { name: '43 g' }).click();
  await page.getByRole('textbox', { name: 'One piece weighs' }).fill('70');
  await page.keyboard.press('Enter');
  await expect(figures).not.toHaveText(before ?? '');
});

test('units and the rule for safe', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: /units and rules$/ }).click();
  await page.getByText('°F', { exact: true }).click();
  await page.getByText('ounces').click();
  await page.getByText('UK guidance').click();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Stage 2: 392 °F · 11 min' })).toBeVisible();
  await expect(page.getByRole('button', { name: '1.5 oz' })).toBeVisible();
  await expect(page.getByText('safe inside · 158 °F for 2 min')).toBeVisible();

  // What is liked here: as ratings show, then as it is said.
  await page.goto(`${kitchen.url}/household`);
  await page.getByRole('button', { name: 'a slightly softer crust than most', exact: true }).click();
  await expect(page.getByText(/^From 10 ratings: a slightly softer crust than most/)).toBeVisible();
  const crust = page.getByRole('radiogroup', { name: 'Crust' });
  await expect(crust.getByRole('radio', { name: 'As our ratings show' })).toBeChecked();
  await accessible(page);
  await crust.getByText('Much crisper').click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'a much crisper crust than most', exact: true })).toBeVisible();
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('80 is asked for');
});

test('bad input is refused in words and loses nothing', async ({ page, kitchen, request, errors }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  // More than stand under the rim: said in words, and a way out of it.
  await page.getByRole('button', { name: '11 wing flats' }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('100');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alert')).toContainText(
    /How many pieces: 100 is not possible; allowed: 1 to \d+ of this size/,
  );
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeDisabled();
  await page.getByRole('button', { name: /^Fry them \d+ at a time$/ }).click();
  await expect(page.getByRole('button', { name: /^\d+ at a time$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeEnabled();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: '11 wing flats' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeEnabled();

  errors.length = 0; // the browser notes the refused request

  // A word where a number belongs is no number; it stays as it was typed, and nothing follows from it.
  await page.getByRole('button', { name: '43 g' }).click();
  const weight = page.getByRole('textbox', { name: 'One piece weighs' });
  await weight.fill('lots');
  await page.keyboard.press('Tab');
  await expect(weight).toHaveValue('lots');
  await expect(page.getByText('“lots” is no number.')).toBeVisible();
  // A decimal comma is read.
  await weight.fill('42,5');
  await page.keyboard.press('Tab');
  await expect(weight).toHaveValue('42,5');
  await weight.fill('43');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');

  // A fryer without a name is not kept.
  await stays(page, 'Fryers');
  await page.getByRole('button', { name: 'Square drawer', exact: true }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill(' ');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Give it a name to keep it')).toBeVisible();

  // The programming interface names field, value and what is allowed.
  const answer = await request.post(`${kitchen.url}/api/v1/simulations`, {
    data: { load: { cut: 'prawn', pieces: 3, pieceMassG: 20 }, program: { stages: [{ airC: 2000, minutes: 5 }] } },
  });
  expect(answer.status()).toBe(422);
  expect(await answer.json()).toMatchObject({
    errors: [{ field: 'program.stages[0].airC', value: '2000', allowed: '60 to 240 °C' }],
  });
});

test('dishes are made, put aside and brought back', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: 'New dish' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the dish' })).toHaveValue('New dish');
  await page.getByRole('textbox', { name: 'Name of the dish' }).fill('Lockside wings');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: /^Lockside wings/ })).toBeVisible();
  await page.getByRole('button', { name: 'Delete Lockside wings' }).click();
  await expect(page.getByRole('link', { name: /^Lockside wings/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('link', { name: /^Lockside wings/ })).toBeVisible();
});

test('a cut is found by name and drawn to scale, and comes first the next time', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: '11 wing flats' }).click();
  const cuts = page.getByRole('listbox', { name: 'Cuts' });
  await expect(cuts.getByRole('option')).toHaveCount(57);
  const wide = async (name: string) =>
    (
      await cuts
        .getByRole('option', { name: new RegExp(`^${name}`) })
        .locator('svg')
        .boundingBox()
    )?.width ?? 0;
  // As long beside one another as in the hand.
  expect((await wide('whole fish')) / (await wide('meatball'))).toBeGreaterThan(4);
  await accessible(page);
  await page.getByRole('searchbox', { name: 'Of which cut' }).fill('shellfish');
  await expect(cuts.getByRole('option')).toHaveCount(4);
  await page.getByRole('searchbox', { name: 'Of which cut' }).fill('wheelbarrow');
  await expect(page.getByText('Nothing here is called that.')).toBeVisible();
  await expect(cuts.getByRole('group', { name: 'If it is a stick or strip' }).getByRole('option')).toHaveText([
    /tenderloin/,
    /chip/,
  ]);
  // Another food is offered as the nearest, and said to be.
  await page.getByRole('searchbox', { name: 'Of which cut' }).fill('lamb chops');
  await expect(page.getByText('Not here by that name.')).toBeVisible();
  await expect(cuts.getByRole('option')).toHaveText([/pork chop on the bone/]);
  await page.getByRole('searchbox', { name: 'Of which cut' }).fill('fries');
  await expect(cuts.getByRole('option')).toHaveText([/chip/]);
  await page.getByRole('searchbox', { name: 'Of which cut' }).fill('squid');
  await cuts.getByRole('option', { name: 'squid ring' }).click();
  await expect(page.getByRole('button', { name: '11 squid rings' })).toBeVisible();
  await page.getByRole('button', { name: '11 squid rings' }).click();
  await expect(cuts.getByRole('group', { name: 'Used lately' }).getByRole('option')).toHaveText(/squid ring/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: '11 wing flats' })).toBeVisible();
});

test('a size is said by weight, by count or by ruler', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: '43 g' }).click();
  const count = page.getByRole('textbox', { name: 'Or pieces to the kilogram' });
  const ruler = page.getByRole('textbox', { name: 'Thickest part, by ruler' });
  const before = await ruler.inputValue();
  await count.fill('20');
  await count.press('Enter');
  await expect(page.getByRole('textbox', { name: 'One piece weighs' })).toHaveValue('50');
  await expect(ruler).not.toHaveValue(before); // worked out anew
  await ruler.fill('30');
  await ruler.press('Enter');
  await expect(page.getByText('By your ruler.')).toBeVisible();
  await expect(page.getByRole('img', { name: '30 mm on a ruler' })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: '50 g' })).toBeVisible();
});

test('nothing of the dish before stands beside the new one, however long the answer takes', async ({
  page,
  kitchen,
}) => {
  await page.goto(kitchen.url);
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('95 loads in 100');
  await expect(verdict).toContainText(/by \d+ min/);
  const before = (await verdict.textContent()) ?? '';
  const ways = page.getByRole('button', { name: /^Use / });
  await expect(ways.first()).toBeVisible();
  // Ten leg quarters in the place of wings; every answer is held back for six seconds.
  const held: (() => void)[] = [];
  await page.route('**/api/v1/{simulations,recommendations,baskets}**', async (route) => {
    await new Promise<void>((go) => held.push(go));
    await route.continue().catch(() => undefined);
  });
  await page.getByRole('button', { name: '43 g' }).click();
  await page.getByRole('textbox', { name: 'One piece weighs' }).fill('60');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.waitForTimeout(400);
  await expect(page.getByText(before.slice(0, 12))).toHaveCount(0);
  await expect(page.getByText(/95 loads in 100|Crisp and safe|by \d+ min/)).toHaveCount(0);
  await expect(ways).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeDisabled();
  await page.waitForTimeout(5600);
  await expect(page.getByText(/95 loads in 100|Crisp and safe|by \d+ min/)).toHaveCount(0);

  // The quick answer comes first: the race, and no "by" while the window is held back.
  held.shift()?.();
  await expect(page.getByRole('region', { name: 'The race' })).toContainText('°C');
  await expect(page.getByText(/95 loads in 100|Crisp and safe|by \d+ min/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeDisabled();
  await page.unroute('**/api/v1/{simulations,recommendations,baskets}**');
  while (held.length > 0) held.shift()?.();
  await expect(verdict).toContainText('95 loads in 100');
  await expect(page.getByRole('button', { name: 'Cook this' })).toBeEnabled();
});

test('several kinds have one headline for all of them', async ({ page, kitchen }) => {
  await prawnsBesideDrumsticks(page, kitchen);
  await page.keyboard.press('Escape');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('The drumsticks:');
  await expect(verdict).toContainText('The prawn:');
});
