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
