import { accessible, expect, test } from './kitchen';

test('chicken left and wedges right: a lane and a now for each drawer', async ({ page, kitchen }) => {
  const api = `${kitchen.url}/api/v1`;
  const fryers = (await (await page.request.get(`${api}/fryers`)).json()) as { id: string; name: string }[];
  const fryerId = fryers.find((f) => f.name === 'Twin drawers')?.id ?? '';
  const dish = async (name: string, cut: string, pieces: number, pieceMassG: number, minutes: number) => {
    const got = await page.request.post(`${api}/plans`, {
      data: {
        name,
        fryerId,
        lots: [{ load: { cut, pieces, pieceMassG }, coat: { id: 'oil-rub', oilG: 6 } }],
        bench: { drying: {}, coating: {} },
        program: { preheatMin: 3, stages: [{ airC: 190, minutes }] },
      },
    });
    return ((await got.json()) as { id: string }).id;
  };
  const dishes = [
    await dish('Legs', 'chicken-drumstick', 4, 110, 30),
    await dish('Wedges', 'potato-wedge', 12, 32, 22),
  ].map((planId) => ({ planId }));
  await page.request.put(`${api}/suppers/twin-night`, {
    data: {
      id: 'twin-night',
      name: 'Twin night',
      evening: { serveAt: '2030-01-05T19:30:00Z', people: 2, hands: 1, hobs: 2, warmC: 80, sides: [], dishes },
    },
  });
  await page.goto(`${kitchen.url}/supper/twin-night`);
  const lanes = page.getByRole('region', { name: 'Lanes' });
  await expect(lanes).toContainText('Left drawer');
  await expect(lanes).toContainText('Right drawer');
  await accessible(page);
  await page.getByRole('button', { name: 'Lead me through it' }).click();
  await expect(page.getByText('Left drawer', { exact: true }).first()).toBeVisible();
  await page.getByRole('combobox', { name: 'This device shows' }).selectOption('Right drawer only');
  await expect(page.getByText('Right drawer', { exact: true }).first()).toBeVisible();

  // What one drawer alone and both at once really are.
  await page.goto(`${kitchen.url}/fryers`);
  const both = page.getByText('both drawers on, settling at 200 °C');
  await expect(both).toBeVisible();
  await page.getByRole('button', { name: 'two drawers' }).click();
  await expect(page.getByRole('textbox', { name: 'One drawer alone, at most' })).toHaveValue('1440');
});

test('a dish is put in the left drawer beside another, and both go on at once', async ({ page, kitchen }) => {
  const api = `${kitchen.url}/api/v1`;
  const plans = (await (await page.request.get(`${api}/plans`)).json()) as { id: string; name: string }[];
  const idOf = (name: string) => plans.find((p) => p.name === name)?.id ?? '';
  await page.goto(`${kitchen.url}/plan/${idOf('Harissa drumsticks')}`);
  const choose = async (part: string | RegExp, choice: string) => {
    await page.getByRole('button', { name: part, exact: typeof part === 'string' }).click();
    await page.getByRole('dialog').getByRole('radio', { name: choice }).focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('Escape');
  };
  await choose('Square drawer', 'Twin drawers');
  await choose('the same in both drawers', 'The left drawer');
  await choose('nothing', 'Caraway potato wedges');
  await expect(page.getByText('Caraway potato wedges is in the right drawer now.')).toBeVisible();
  const right = page.getByRole('region', { name: 'The right drawer' });
  await expect(right).toContainText('14 potato wedges');
  await expect(page.getByRole('region', { name: 'The plug' })).toContainText('each heats with 1200 W');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('Left: crisp and safe');
  await expect(verdict).toContainText('Right, in at 3:');
  await accessible(page);
  await choose('ready together', 'The right one first');
  await expect(verdict).toContainText('Left, in at 21:');

  // The other way round it is the same pair.
  await right.getByRole('link', { name: 'Change it' }).click();
  await expect(page.getByRole('region', { name: 'The left drawer' })).toContainText('5 drumsticks');
  await choose('the right one first', 'Ready together');
  await expect(verdict).toContainText('Right, in at 3:');

  // Each by itself: what is due first is shown, and either can be.
  await page.getByRole('button', { name: 'Only this one' }).click();
  await expect(page).toHaveURL(/\/cook$/);
  await page.getByRole('button', { name: 'Begin another beside it' }).click();
  await page.getByRole('button', { name: /Harissa drumsticks/ }).click();
  const places = page.getByRole('list', { name: 'What goes on at once' });
  await expect(places.getByRole('button')).toHaveCount(2);
  await places.getByRole('button', { name: /left/ }).click();
  await expect(page.getByRole('heading', { name: 'Heat the empty basket to 175 °C' })).toBeVisible();
  await page.getByRole('button', { name: 'Give this cook up' }).click();
  await expect(places).toHaveCount(0);
  await page.getByRole('button', { name: 'Give this cook up' }).click();

  // Both at once: led as one, each in its drawer.
  await page.goto(`${kitchen.url}/plan/${idOf('Harissa drumsticks')}`);
  await page.getByRole('button', { name: 'Cook both' }).click();
  await expect(page).toHaveURL(/\/cook$/);
  await expect(page.getByText('Left drawer', { exact: true }).first()).toBeVisible();
});

test('a stage begins under the grill of another fryer', async ({ page, kitchen }) => {
  const api = `${kitchen.url}/api/v1`;
  await page.request.post(`${api}/fryers`, {
    data: {
      name: 'Oven with a grill',
      kind: 'oven',
      powerW: 1800,
      grill: 1600,
      trays: 1,
      basket: { shape: 'rectangle', widthMm: 320, depthMm: 280 },
      airflow: 1,
      dialOffsetC: 0,
      dial: { minC: 60, maxC: 230, stepC: 5 },
    },
  });
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: /^Stage 1: 165 °C/ }).click();
  const pick = async (name: string) => {
    await page.getByRole('dialog').getByRole('radio', { name }).focus();
    await page.keyboard.press('Space');
  };
  await pick('Oven with a grill');
  await pick('The grill alone');
  await page.keyboard.press('Escape');
  const stage = page.getByRole('button', {
    name: /^Stage 1: .*165 °C under the grill, fan off, in Oven with a grill/,
  });
  await expect(stage).toBeVisible();
  await expect(page.getByRole('region', { name: 'Verdict' })).not.toContainText('Working it out');
  await page.getByRole('button', { name: 'Cook this' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    '165 °C under the grill, fan off, in Oven with a grill',
  );
});
