import { say } from './led';
import type { Locator, Page } from '@playwright/test';
import { accessible, expect, fits, prawnsBesideDrumsticks, test } from './kitchen';

/** Takes hold of something and moves the hand as a hand moves. */
async function drag(page: Page, what: Locator, dx: number, dy: number) {
  // It is taken hold of where it has come to rest: an answer may move what stands above it.
  let box = await what.boundingBox();
  for (let still = 0; still < 3;) {
    await page.waitForTimeout(60);
    const now = await what.boundingBox();
    still = now && box && now.x === box.x && now.y === box.y ? still + 1 : 0;
    box = now;
  }
  if (!box) throw new Error('nothing to take hold of');
  const x = box.x + box.width / 2;
  const y = box.y + box.height / 2;
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 12; k++) await page.mouse.move(x + (dx * k) / 12, y + (dy * k) / 12);
  await page.mouse.up();
}

const stage = (page: Page, n: number) => page.getByRole('button', { name: new RegExp(`^Stage ${n}:`) });

test('shelves, joins, turns and the end are dragged, and one drag is one undo', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const first = stage(page, 1);
  await expect(first).toHaveAccessibleName('Stage 1: 165 °C · 12 min');

  await drag(page, first, 0, -29);
  await expect(first).not.toHaveAccessibleName('Stage 1: 165 °C · 12 min');
  const hotter = /Stage 1: (\d+) °C · 12 min/.exec((await first.getAttribute('aria-label')) ?? '');
  expect(Number(hotter?.[1])).toBeGreaterThan(175);
  expect(Number(hotter?.[1]) % 5).toBe(0); // the dial's own steps
  await expect(page.getByRole('dialog')).toHaveCount(0); // a drag is no click

  const join = page.getByRole('button', { name: /^Stage 2 begins at minute/ });
  await drag(page, join, 80, 0);
  await expect(join).toHaveAccessibleName(/minute 1[4-6]$/);
  const turn = page.getByRole('button', { name: /^Turn [\d.]+ min in/ });
  await drag(page, turn, -70, 0);
  await expect(turn).toHaveAccessibleName(/Turn (8|9|10)(\.5)? min in$/);
  const out = page.getByRole('button', { name: /^Out [\d.]+ min in/ });
  await drag(page, out, -60, 0);
  await expect(out).toHaveAccessibleName(/Out 2[0-2] min in$/);

  for (let k = 0; k < 4; k++) await page.keyboard.press('Control+z');
  await expect(first).toHaveAccessibleName('Stage 1: 165 °C · 12 min');
  await expect(join).toHaveAccessibleName('Stage 2 begins at minute 12');
  await expect(turn).toHaveAccessibleName('Turn 12 min in');
  await expect(out).toHaveAccessibleName('Out 23 min in');
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();

  // The last hand wins: what the drawing shows is the answer to what stands.
  await drag(page, first, 0, -30);
  await expect(page.getByRole('region', { name: 'Verdict' }).getByRole('heading')).toHaveText(/\d/);
});

test('joins by keyboard, a check, a rest and the read-out', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const join = page.getByRole('button', { name: /^Stage 2 begins at minute/ });
  await join.focus();
  await page.keyboard.press('ArrowRight');
  await expect(join).toHaveAccessibleName('Stage 2 begins at minute 13');
  await page.getByRole('button', { name: 'Add a check' }).click();
  const check = page.getByRole('button', { name: /^Check [\d.]+ min in/ });
  await check.focus();
  await page.keyboard.press('ArrowRight');
  await expect(check).toBeFocused();
  await page.getByRole('button', { name: 'Add a stage' }).click();
  await stage(page, 2).click();
  await page.getByRole('button', { name: 'Take it out to rest' }).click();
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^rest · / })).toBeVisible();

  const read = page.getByRole('slider', { name: 'Read the race at minute' });
  await read.focus();
  for (let k = 0; k < 6; k++) await page.keyboard.press('ArrowRight');
  await expect(read).toHaveAttribute('aria-valuetext', /^Minute 3: air \d+ °C, core \d+ °C\. Skin side: crust/);
  await expect(page.getByText('Minute 3', { exact: true })).toBeVisible();
});

test('a way is wanted, compared and chosen', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  const ways = page.getByRole('region', { name: 'Ways to run it' });
  await ways.getByRole('button', { name: 'All 7 ways' }).click();
  await expect(ways.getByRole('listitem')).toHaveCount(7);
  await expect(ways.getByText('recommended')).toHaveCount(1);
  const crusts = async () =>
    Number(/crust (\d+)/.exec((await ways.getByRole('listitem').first().textContent()) ?? '')?.[1]);
  const balanced = await crusts();
  await ways.getByText('Crisper', { exact: true }).click();
  await expect.poll(crusts).toBeGreaterThan(balanced + 4);

  await ways.getByRole('button', { name: 'Compare straight heat' }).click();
  await ways.getByRole('button', { name: 'Compare gentle, then hot' }).click();
  const both = page.getByRole('region', { name: 'Two ways compared' });
  await expect(both.getByRole('row', { name: /^Juice kept/ })).toContainText('%');
  await accessible(page);
  await both.getByRole('button', { name: 'Close the comparison' }).click();
  await expect(both).toHaveCount(0);

  await ways.getByRole('button', { name: 'Use Straight heat' }).click();
  await expect(ways.getByRole('button', { name: 'In use Straight heat' })).toBeVisible();
  await expect(stage(page, 2)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(stage(page, 2)).toBeVisible();
});

test('too many for one basket go in one after another, and are cooked so', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('button', { name: '11 wing flats' }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('24');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const basket = page.getByRole('region', { name: 'The basket' });
  await basket.getByText(/^Two baskets, one after another/).click();
  await expect(page.getByRole('button', { name: '12 at a time' })).toBeVisible();
  const share = basket.getByRole('slider', { name: 'Pieces in the first basket' });
  await share.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: '10 at a time' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await basket.getByRole('radio', { name: /^Basket 2: 12/ }).click();
  await expect(basket.getByRole('heading', { name: 'Basket 2 of 2' })).toBeVisible();
  await expect(page.getByText('Follows the first basket’s program from a hot fryer')).toBeVisible();
  await accessible(page);
  await basket.getByRole('radio', { name: /^Basket 1: 12/ }).click();

  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Cook this' }).click();
  await expect(page.getByText('basket 1 of 2')).toBeVisible();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await page.getByRole('button', { name: 'Done, it is out' }).click();
  await page.getByRole('button', { name: 'Take it out all the same' }).click();
  await page.getByRole('button', { name: 'Start basket 2 of 2' }).click();
  await expect(page.getByText('basket 2 of 2')).toBeVisible();
  // From a hot fryer there is nothing to wait for.
  await expect(page.getByRole('heading', { name: /^Put all twelve in/ })).toBeVisible();
});

test('a recipe is brought from oil, and a preset is judged', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await page.getByRole('link', { name: /^Rye-crumbed/ }).click();
  await page.getByRole('button', { name: 'Add a brush' }).click();
  const brush = page.getByRole('button', { name: /^Brush [\d.]+ min in/ });
  await expect(brush).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'From oil, oven or packet' }).click();
  const panel = page.getByRole('region', { name: 'From oil, oven or packet' });
  await panel.getByRole('textbox', { name: 'For' }).fill('5');
  await page.keyboard.press('Enter');
  await panel.getByRole('button', { name: 'Convert it' }).click();
  await expect(panel.getByText(/^5 min in oil at 175 °C bring the coldest spot to \d+ °C/)).toBeVisible();
  await accessible(page);
  await panel.getByText('A preset on the fryer').click();
  await panel.getByRole('textbox', { name: 'For' }).fill('4');
  await page.keyboard.press('Enter');
  await panel.getByRole('button', { name: 'Judge it' }).click();
  await expect(panel.getByText(/is too short/)).toBeVisible();
  await panel.getByRole('button', { name: 'Use this program' }).click();
  await expect(panel).toHaveCount(0);
  await expect(brush).toBeVisible(); // what is brushed on is not lost with the program
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeEnabled();
});

test('two fryers share a dish, and a new one is set up from its box', async ({ page, kitchen }) => {
  await page.goto(`${kitchen.url}/fryers`);
  await page.getByRole('button', { name: 'Add a fryer' }).click();
  await page.getByText('An oven with trays').click();
  await page.getByRole('button', { name: 'Add it' }).click();
  const oven = page.getByRole('region', { name: /^[\d.]+-litre oven$/ });
  await expect(oven.getByRole('button', { name: 'an oven with 2 trays' })).toBeVisible();
  await expect(oven.getByText(/^Read the watts off the label/)).toBeVisible();
  await oven.getByRole('button', { name: /^\d+ W$/ }).click();
  await page.getByRole('textbox', { name: 'On the label, W' }).fill('1800');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(oven.getByRole('button', { name: '1800 W' })).toBeVisible();
  await expect(oven.getByText(/^Read the watts off the label/)).toHaveCount(0);
  await expect(oven.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Delete [\d.]+-litre oven$/ }).click();
  await expect(oven).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(oven).toBeVisible();

  await page.getByRole('navigation').getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: '11 wing flats' }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('20');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const basket = page.getByRole('region', { name: 'The basket' });
  await basket.getByText(/^Share with the other fryer/).click();
  await expect(basket.getByRole('radio', { name: /^Second fryer: \d+/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('one starts later so that both are done together')).toBeVisible();
});

test('the workbench fits a phone and a tablet', async ({ page, kitchen }) => {
  for (const size of [
    { width: 390, height: 844 },
    { width: 820, height: 1180 },
  ]) {
    await page.setViewportSize(size);
    await page.goto(kitchen.url);
    const ways = page.getByRole('region', { name: 'Ways to run it' });
    // A phone shows the best, and the others when asked.
    await ways.getByRole('button', { name: 'All 7 ways' }).click();
    await expect(ways.getByRole('listitem')).toHaveCount(7);
    await fits(page);
    await accessible(page);
  }
});

test.describe('by finger', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('a shelf and a turn follow a finger, and the page stays', async ({ page, kitchen }) => {
    await page.goto(kitchen.url);
    const touch = await page.context().newCDPSession(page);
    const swipe = async (what: Locator, dx: number, dy: number) => {
      await what.scrollIntoViewIfNeeded();
      const box = await what.boundingBox();
      if (!box) throw new Error('nothing to take hold of');
      const at = (k: number) => [
        { x: box.x + box.width / 2 + (dx * k) / 10, y: box.y + box.height / 2 + (dy * k) / 10 },
      ];
      await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
      for (let k = 1; k <= 10; k++)
        await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(k) });
      await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    };
    const first = stage(page, 1);
    await first.scrollIntoViewIfNeeded();
    const scrolled = await page.evaluate(() => window.scrollY);
    await swipe(first, 0, -25);
    await expect(first).toHaveAccessibleName(/^Stage 1: 1[789]\d° · 12$/);
    expect(await page.evaluate(() => window.scrollY)).toBe(scrolled);
    const turn = page.getByRole('button', { name: /^Turn [\d.]+ min in/ });
    await swipe(turn, -40, 0);
    await expect(turn).not.toHaveAccessibleName('Turn 12 min in');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    // A tap still opens what a drag only moves.
    await turn.tap();
    await expect(page.getByRole('dialog', { name: 'Turn' })).toBeVisible();
  });
});

test('a glaze is brushed on in mid-cook: how late, how hot, and what the cook says', async ({ page, kitchen }) => {
  await page.goto(kitchen.url);
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a brush' }).click();
  // Where the answer is slow, the race is drawn anew under the hand.
  const part = page.getByRole('combobox', { name: 'Brushed on, part 1' });
  await expect(async () => {
    if (!(await part.isVisible())) await page.getByRole('button', { name: 'Brush 18 min in' }).click();
    await expect(part).toBeVisible({ timeout: 4000 });
  }).toPass();
  await part.selectOption({ label: 'honey' });
  await page.keyboard.press('Escape');
  const cautions = page.getByRole('list', { name: 'Cautions' });
  await expect(cautions).toContainText(/latest at which it still dries|turns bitter|does not dry/);
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Brush 18 min in' })).toBeVisible();
  await page.getByRole('button', { name: 'Cook this' }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await say(page, page.getByRole('button', { name: /^Turned/ }));
  await expect(page.getByRole('heading', { name: 'Brush what is up of all eleven with 15 g of honey' })).toBeVisible();
});

test('several kinds in one basket: each has its own race and its own out', async ({ page, kitchen }) => {
  await prawnsBesideDrumsticks(page, kitchen);
  await page.getByRole('button', { name: '1 prawn', exact: true }).click();
  await page.getByRole('textbox', { name: 'Pieces in all' }).fill('4');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'in all along' }).last().click();
  await page.getByRole('textbox', { name: 'What you call them' }).fill('harbour prawns');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('radio', { name: /^4 harbour prawns/ })).toBeVisible();
  await page.keyboard.press('ControlOrMeta+z');
  const prawns = page.getByRole('radio', { name: /^4 prawns/ });
  await prawns.click();
  await expect(page.getByText('Underside, up after the turn')).toHaveCount(0); // a prawn has no skin side
  await expect(page.getByRole('img', { name: /^5 drumsticks and 4 prawns in the Square drawer/ })).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: /^Take the prawns out at/ }).click();
  await expect(page.getByRole('button', { name: /^prawns out \d/ })).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: '4 prawns', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Cook this' }).click();
  await page.getByRole('button', { name: 'Food is in' }).click();
  await expect(page.getByRole('heading', { name: /^Take the prawns out, leave the others/ })).toBeVisible();
});
