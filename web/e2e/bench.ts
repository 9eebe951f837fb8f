import { test } from './kitchen';

// How fast the drawing follows the hand, in the browser with the server on
// the same machine: from each change to the answer on the screen, and to the
// window over the spread of loads. Printed, not judged.

test.use({ viewport: { width: 1280, height: 800 } });

test('dragging', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('region', { name: 'Ways to run it' }).getByRole('listitem').first().waitFor();
  await page.evaluate(() => performance.clearMeasures());
  for (const name of [/^Stage 1:/, /^Stage 2 begins/, /^Turn \d/, /^Out \d/]) {
    const box = await page.getByRole('button', { name }).boundingBox();
    if (!box) continue;
    const x = box.x + box.width / 2;
    const y = box.y + box.height / 2;
    const up = name.source.startsWith('^Stage 1');
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let k = 1; k <= 80; k++) {
      const way = 45 * Math.sin(k / 9) + (up ? -8 : 8);
      await page.mouse.move(up ? x : x + way, up ? y + way / 1.6 : y);
      await page.waitForTimeout(16);
    }
    await page.mouse.up();
    await page.waitForTimeout(700);
  }
  const spans = await page.evaluate(() =>
    ['race answer', 'race window'].map((name) => ({
      name,
      ms: performance
        .getEntriesByName(name)
        .map((e) => e.duration)
        .sort((a, b) => a - b),
    })),
  );
  for (const { name, ms } of spans) {
    const at = (q: number) => (ms[Math.min(ms.length - 1, Math.floor(q * ms.length))] ?? 0).toFixed(0);
    console.log(`${name}: ${ms.length} times, median ${at(0.5)} ms, 95 in 100 within ${at(0.95)} ms`);
  }
});
