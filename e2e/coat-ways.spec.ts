import { accessible, chooseArea, docket, expect, figure, openDemo, settled, test, workOn } from './desk';
import type { Page } from '@playwright/test';
import type { Demo } from './prepared';

/** The docket of a demo animal whose first area is not laid in folded rows. */
async function open(page: Page, name: Demo): Promise<void> {
  await openDemo(page, name);
  await expect(docket(page).getByRole('heading', { level: 2 })).toBeVisible();
}
const room = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms of the coat' }).getByRole('button', { name }).click();

/** Chooses from an unfolding list by key: menus fold out slowly on a busy machine. */
async function way(page: Page, name: string): Promise<void> {
  const box = docket(page).getByRole('combobox', { name: 'Way of laying' });
  await box.focus();
  await page.keyboard.press('Enter');
  const option = page.getByRole('option', { name, exact: true });
  await expect(option).toBeVisible();
  await option.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toBeHidden();
}

test('every way of laying on one area: docket, chart and swatch follow; undo brings each back', async ({
  desk: page,
}) => {
  await openDemo(page);
  await chooseArea(page, 'Flanks');
  const ways: [string, RegExp][] = [
    ['Standing rows', /both halves up; fluff and trim/],
    ['Locks in courses', /like bricks, tips down/],
    ['Bows', /each over the edge of the last/],
    ['Strip made off the piece', /Anchor it on both faces/],
    ['Wisps', /lightly felted/],
    ['Top coat in pieces', /pieces, .* in all/],
    ['Sheet wrap', /wrap it on taut/],
    ['Velvet', /raise it with the reverse needle/],
    ['Left bare', /is left bare/],
  ];
  for (const [name, words] of ways) {
    await way(page, name);
    await expect(docket(page)).toContainText(words);
    if (name !== 'Left bare') {
      expect(await figure(page, name === 'Strip made off the piece' ? 'hidden under it' : 'base hidden')).toMatch(/%$/);
      await expect(page.getByRole('img', { name: /Swatch of Flanks at life size/ })).toBeVisible();
      await expect(
        page.getByRole('img', { name: name === 'Sheet wrap' ? /Sheet for Flanks/ : /Lay chart of Flanks/ }),
      ).toBeVisible();
    }
  }
  await page.keyboard.press('Control+z');
  await expect(docket(page)).toContainText('raise it with the reverse needle');
  for (let i = 0; i < ways.length - 1; i++) await page.keyboard.press('Control+z');
  await expect(docket(page)).toContainText('hem first');
  await accessible(page);
});

test('a stripe in standing rows: its wool, its width, the rows that carry it, its section', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Back');
  await way(page, 'Standing rows');
  await docket(page).getByRole('button', { name: 'stripe' }).click();
  await expect(docket(page)).toContainText(/The stripe comes out/);
  await expect(page.getByRole('img', { name: /Section through a stripe row of Back/ })).toBeVisible();
  const share = docket(page).getByRole('textbox', { name: 'Share of lay' });
  await share.fill('3');
  await expect(docket(page).getByText('Share of lay must be between 0.05 and 0.95')).toBeVisible();
  await share.fill('0.6');
  await share.blur();
  const to = docket(page).getByRole('textbox', { name: 'To, way up' });
  await to.fill('0.5');
  await to.blur();
  await page.keyboard.press('6');
  await expect(page.getByRole('region', { name: 'Steps by sitting' })).toContainText(/rows .* carry a band of/);
});

test('locks of the alpaca: courses like bricks, piles shared out, tips as bands; the strip of the topknot', async ({
  desk: page,
}) => {
  await open(page, 'Suri alpaca cria');
  await chooseArea(page, 'Flanks');
  await expect(docket(page)).toContainText(/Pick .* locks at least/);
  await expect(page.getByRole('table', { name: 'Locks from each pile' })).toContainText('best');
  await expect(docket(page)).toContainText('they show as bands');
  await docket(page)
    .getByRole('button', { name: /Open the tips/ })
    .click();
  await expect(docket(page)).not.toContainText('they show as bands');
  await chooseArea(page, 'Topknot');
  await expect(docket(page)).toContainText(/Make a strip/);
  const clumps = page.getByRole('table', { name: 'Clumps of the strip' }).getByRole('row');
  expect(await clumps.count()).toBeGreaterThan(3);
  // The bench opens where the work is; an area is one press away.
  await page.keyboard.press('7');
  await expect(docket(page)).toContainText('Step 1');
  await workOn(page, 'Topknot');
  await expect(docket(page)).toContainText('Strip 1');
});

test('changing from hem to top, half rows and even spacing', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Back');
  // Where its measures come to an end: how far apart it still covers, how long the wool allows.
  await expect(docket(page)).toContainText(/Row spacing[^;]*at most [\d.]+ mm to cover/);
  await expect(docket(page)).toContainText(/Length[^;]*at most [\d.]+ mm by the wool/);
  // Drawn by hand the slider holds there; by key every step is meant.
  const apart = docket(page).getByRole('slider', { name: 'Row spacing, slider' });
  const most = Number(/Row spacing[^;]*?at most ([\d.]+) mm to cover/.exec(await docket(page).innerText())![1]);
  const wide = async () => Number(await docket(page).getByRole('textbox', { name: 'Row spacing' }).inputValue());
  const own = page.getByRole('slider', { name: 'Row spacing, slider' });
  const whole = docket(page).locator('.MuiSlider-root', { has: own });
  await whole.scrollIntoViewIfNeeded();
  const track = (await whole.boundingBox())!;
  const range = [Number(await apart.getAttribute('min')), Number(await apart.getAttribute('max'))] as const;
  const near = (range[1] - range[0]) / 60;
  await page.mouse.click(
    track.x + (track.width * (most + near - range[0])) / (range[1] - range[0]),
    track.y + track.height / 2,
  );
  await expect.poll(wide).toBe(most);
  await apart.press('ArrowRight');
  await expect.poll(wide).toBeGreaterThan(most);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await settled(page);
  await docket(page).getByRole('checkbox', { name: 'another length at the top' }).check();
  const top = docket(page).getByRole('textbox', { name: 'Length at top' });
  await top.fill('8');
  await top.blur();
  await expect(docket(page)).toContainText(/lengths at the hem, .* at the top/);
  await room(page, 'Lie');
  const slider = page.getByRole('slider', { name: /square to the fur or evenly spaced/ });
  const spread = () =>
    docket(page)
      .getByText(/^\d.* to /)
      .first()
      .innerText();
  const before = await spread();
  await slider.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(spread).not.toBe(before);
  await accessible(page);
});

test('combing: a stroke by mouse, a turn by key, both undone; special places are listed', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Flanks');
  await room(page, 'Lie');
  await expect(docket(page)).toContainText('Nothing is combed');
  await page.getByRole('button', { name: 'L left' }).click();
  await docket(page).getByRole('button', { name: 'comb', exact: true }).click();
  const stage = page.getByRole('img', { name: /Pine marten seen from/ });
  const box = (await stage.boundingBox())!;
  const [x, y] = [box.x + box.width * 0.48, box.y + box.height * 0.52];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(x + 4 * i, y - 3 * i);
  await page.mouse.up();
  await expect(page.getByRole('list', { name: 'Combed' }).getByRole('listitem')).toHaveCount(1);
  await expect(page.getByRole('list', { name: 'Combed' })).toContainText('both sides');
  const turn = docket(page).getByRole('textbox', { name: 'Turned by' });
  await turn.fill('200');
  await expect(docket(page).getByText('Turned by must be between -180° and 180°')).toBeVisible();
  await turn.fill('45');
  await turn.blur();
  await docket(page).getByRole('button', { name: 'Turn the fur' }).click();
  await expect(page.getByRole('list', { name: 'Combed' })).toContainText('turned 45°');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('list', { name: 'Combed' }).getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: /Take away: stroke/ }).click();
  await expect(docket(page)).toContainText('Nothing is combed');
  await expect(page.getByRole('list', { name: 'Special places' })).toContainText('corner with Tail');
});

test('ways compared side by side, and one of them taken', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Belly');
  await room(page, 'Compare ways');
  const table = page.getByRole('table', { name: 'Belly under several ways of laying' });
  await expect(table).toContainText('Folded rows (now)');
  await page.getByRole('checkbox', { name: 'Top coat in pieces' }).check();
  await page.getByRole('checkbox', { name: 'Standing rows' }).check();
  await expect(table.getByRole('columnheader')).toHaveCount(4);
  await expect(table.getByRole('img')).toHaveCount(4);
  await accessible(page);
  await page.getByRole('checkbox', { name: 'Wisps' }).uncheck();
  await page.getByRole('checkbox', { name: 'Standing rows' }).uncheck();
  await page.getByRole('checkbox', { name: 'Folded rows' }).uncheck();
  await expect(docket(page)).toContainText('Choose one more way');
  await page.getByRole('checkbox', { name: 'Folded rows' }).check();
  await page.getByRole('button', { name: 'Use top coat in pieces' }).click();
  await room(page, 'Lay');
  await expect(docket(page)).toContainText(/pieces, .* in all/);
});

test('the trim plan is previewed cut by cut', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Tail');
  await room(page, 'Trim');
  await expect(docket(page)).toContainText('It cannot be put back');
  const table = page.getByRole('table', { name: 'Trim plan' });
  const cuts = await table.getByRole('row').count();
  expect(cuts).toBeGreaterThan(2);
  const slider = page.getByRole('slider', { name: 'Cuts taken' });
  await slider.focus();
  await page.keyboard.press('Home');
  await expect(slider).toHaveAttribute('aria-valuetext', 'as laid');
  await page.keyboard.press('ArrowRight');
  await expect(slider).toHaveAttribute('aria-valuetext', 'after cut 1');
  await accessible(page);
  await chooseArea(page, 'Muzzle');
  await expect(docket(page)).toContainText('is not trimmed');
});

test('a practice swatch that turned out otherwise changes the figures of that wool', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Throat bib');
  await expect.poll(() => figure(page, 'base hidden')).toBe('96 %');
  const loft = await figure(page, 'loft added');
  await room(page, 'Practice swatch');
  await expect(docket(page)).toContainText(/Cover the ball up to 30°/);
  await docket(page).getByRole('checkbox', { name: 'loft measured with a rule' }).check();
  const rule = docket(page).getByRole('textbox', { name: 'Loft' });
  await rule.fill('9');
  await rule.blur();
  await accessible(page);
  await docket(page).getByRole('button', { name: 'Write down the swatch' }).click();
  await expect(page.getByRole('list', { name: 'Swatches of this wool' })).toContainText(
    'Throat bib: hidden, loft 9 mm',
  );
  await room(page, 'Lay');
  // It was hidden, so this wool spreads better than thought; and it stands higher.
  await expect.poll(() => figure(page, 'base hidden')).toBe('98 %');
  expect(await figure(page, 'loft added')).toBe('9 mm');
  expect(loft).not.toBe('9 mm');
  await page.reload();
  await expect.poll(() => figure(page, 'base hidden')).toBe('98 %');
  await room(page, 'Practice swatch');
  await page.getByRole('button', { name: /Take away the swatch/ }).click();
  await room(page, 'Lay');
  await expect.poll(() => figure(page, 'base hidden')).toBe('96 %');
});

test('locks are sorted onto piles in the cupboard', async ({ desk: page }) => {
  await open(page, 'Suri alpaca cria');
  await page.goto('/cupboard');
  await page.getByRole('button', { name: 'Suri cria locks' }).click();
  const piles = page.getByRole('region', { name: 'Sorted locks' });
  await expect(piles.getByRole('group', { name: /^Pile \d+$/ })).toHaveCount(5);
  await piles.getByRole('button', { name: 'Add a pile' }).click();
  const last = piles.getByRole('group', { name: 'Pile 6' });
  const count = last.getByRole('textbox', { name: 'Locks' });
  await count.fill('9000');
  await expect(piles.getByText('Locks must be between 0 and 5000')).toBeVisible();
  await count.fill('30');
  await count.blur();
  await last.getByRole('button', { name: 'best' }).click();
  await accessible(page);
  await last.getByRole('button', { name: 'Remove pile 6' }).click();
  await expect(piles.getByRole('group', { name: /^Pile \d+$/ })).toHaveCount(5);
});

test('a blended coat is named wool by wool: in the docket, in its steps and in what to take out', async ({
  desk: page,
}) => {
  await openDemo(page);
  await chooseArea(page, 'Flanks');
  const list = docket(page).locator('dl').first();
  await expect(list).toContainText('chestnut top');
  await expect(list).toContainText('dark umber top');
  await expect(docket(page).getByRole('link', { name: 'Change the blend in Shade' })).toBeVisible();
  await page.keyboard.press('6');
  const steps = page.getByRole('region', { name: 'Steps by sitting' });
  for (const step of [/Cut 6 Chestnut top : 2 Dark umber top/, /Lay \d+ rows .* on Flanks/]) {
    // A long step goes over several sittings.
    await steps.getByRole('button', { name: step }).first().click();
    await expect(docket(page)).toContainText('chestnut top');
    await expect(docket(page)).toContainText('dark umber top');
  }
  await accessible(page);
});

test('the practice ball is drawn as it should come out, anew when it is larger', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'tail', coatRoom: 'practice' });
  const ball = page.getByRole('img', { name: 'Tail on the ball, as it should come out' });
  await expect(ball).toBeVisible();
  const first = await ball.getAttribute('src');
  await page.getByRole('textbox', { name: 'Ball', exact: true }).fill('60');
  await expect(ball).not.toHaveAttribute('src', first!);
});
