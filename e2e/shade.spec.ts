/** Shade in a real browser: layers, blends, matching with a made-up photograph, hiding, reverse needle, markings, judging. */
import { deflateSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { accessible, choose, chooseArea, docket, expect, openDemo, test } from './desk';
import type { Demo } from './prepared';

const room = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms of the shade' }).getByRole('button', { name }).click();

async function openShade(page: Page, name: Demo = 'Pine marten'): Promise<void> {
  await openDemo(page, name, 'shade');
  await expect(docket(page).getByText('Seen as')).toBeVisible();
}

const layers = (page: Page) => page.getByRole('list', { name: 'Layers, the top one first' });
const add = (page: Page, kind: string) =>
  docket(page)
    .getByRole('button', { name: `+ ${kind}` })
    .click();

/** A PNG of coloured columns, 40 by 24 pixels each, as a photograph would have them. */
function photograph(columns: readonly (readonly [number, number, number])[]): Buffer {
  const w = 40 * columns.length;
  const h = 120;
  const raw = Buffer.alloc(h * (1 + 3 * w));
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) raw.set(columns[Math.floor(x / 40)]!, y * (1 + 3 * w) + 1 + 3 * x);
  const table = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (b: Buffer) => {
    let c = 0xffffffff;
    for (const x of b) c = table[(c ^ x) & 255]! ^ (c >>> 8);
    return (c ^ 0xffffffff) >>> 0;
  };
  const chunk = (kind: string, data: Buffer) => {
    const out = Buffer.alloc(12 + data.length);
    out.writeUInt32BE(data.length, 0);
    out.write(kind, 4);
    data.copy(out, 8);
    out.writeUInt32BE(crc(out.subarray(4, 8 + data.length)), 8 + data.length);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(w, 0);
  head.writeUInt32BE(h, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(raw)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

test('the marten has its layers, each with its wool; one is added, moved by key, taken back', async ({
  desk: page,
}) => {
  await openShade(page);
  await chooseArea(page, 'Flanks');
  await expect(layers(page).getByRole('listitem')).toHaveCount(5);
  await expect(layers(page)).toContainText('Dark umber top, wisp');
  await accessible(page);
  await add(page, 'Veil');
  await expect(layers(page).getByRole('listitem')).toHaveCount(6);
  const hand = page.getByRole('group', { name: 'The layer in hand' });
  await hand.getByRole('button', { name: 'full', exact: true }).click();
  await expect(layers(page).getByRole('listitem').first()).toContainText('full');
  const amount = hand.getByRole('textbox', { name: 'Amount' });
  await amount.fill('90');
  await expect(hand.getByText('Amount must be between 0.1 mg/cm² and 60 mg/cm²')).toBeVisible();
  await amount.fill('2');
  await amount.blur();
  await expect(hand).toContainText(/Divide it into \d+ wisps, [\d.]+ mm long, for \d/);
  await expect(hand.getByRole('img', { name: /^How thin it is.*: 2 mg\/cm² of / })).toBeVisible();
  await layers(page).getByRole('button', { name: 'Move Veil down' }).first().click();
  await expect(layers(page).getByRole('listitem').nth(1)).toContainText('2 mg/cm²');
  // Dragging by keyboard: lift, up, drop.
  const grip = layers(page).getByRole('listitem').nth(1).getByRole('button', { name: 'Move Veil', exact: true });
  await grip.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('At place 2 from the top.')).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('At place 1 from the top.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(layers(page).getByRole('listitem').first()).toContainText('2 mg/cm²');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(layers(page).getByRole('listitem').nth(1)).toContainText('2 mg/cm²');
  await hand.getByRole('button', { name: 'fading' }).click();
  await expect(hand.getByRole('textbox', { name: 'Left at the end' })).toBeVisible();
  await hand.getByRole('button', { name: 'along the border' }).click();
  await expect(hand.getByRole('textbox', { name: 'Width' })).toBeVisible();
  await hand.getByRole('button', { name: 'Take away' }).click();
  await expect(layers(page).getByRole('listitem')).toHaveCount(5);
  await page.reload();
  await expect(layers(page).getByRole('listitem')).toHaveCount(5);
});

test('pale over dark: what it takes is said and put right by one press; stop before raising what is not there', async ({
  desk: page,
}) => {
  await openShade(page);
  await chooseArea(page, 'Top of the head');
  await add(page, 'Veil');
  const hand = page.getByRole('group', { name: 'The layer in hand' });
  await hand.getByRole('combobox').first().click();
  await choose(page.getByRole('option', { name: 'Soft white top' }));
  await hand.getByRole('button', { name: 'hide it' }).click();
  const caution = docket(page).getByRole('article', { name: /Soft white top on Top of the head lets/ });
  await expect(caution).toContainText('pale fibre lets light through');
  await caution.getByRole('button', { name: /^Lay \d/ }).click();
  await expect(caution).toHaveCount(0);
  await add(page, 'Reverse needle');
  await hand.getByRole('combobox').first().click();
  await choose(page.getByRole('option', { name: 'Bright blue top' }));
  const stop = docket(page).getByRole('article', { name: /Bright blue top cannot be raised/ });
  await stop.getByRole('button', { name: /Lay Bright blue top below/ }).click();
  await expect(stop).toHaveCount(0);
  await expect(layers(page)).toContainText('Bright blue top');
  await accessible(page);
});

test('the blend card: both schools, grams, laid as a coat; a blend made is written down and fitted', async ({
  desk: page,
}) => {
  await openShade(page);
  await chooseArea(page, 'Belly');
  await room(page, 'Blend card');
  const card = page.getByRole('group', { name: 'Predicted colour' });
  await expect(card).toContainText('the usual reckoning');
  await expect(card).toContainText('another reckoning');
  const before = await card.innerText();
  const parts = docket(page).getByRole('group', { name: 'Wool 1' }).getByRole('textbox', { name: 'Parts' });
  await parts.fill('3');
  await parts.blur();
  await expect.poll(() => card.innerText()).not.toBe(before);
  await docket(page).getByRole('button', { name: 'Blend in another wool' }).click();
  await expect(docket(page).getByRole('group', { name: 'Wool 3' })).toBeVisible();
  await accessible(page);
  const made = docket(page).getByRole('textbox', { name: 'It came out', exact: true });
  await made.fill('brown');
  await expect(docket(page).getByText('It came out must be written like #b0622a')).toBeVisible();
  await made.fill('#a58a64');
  await made.blur();
  await docket(page).getByRole('button', { name: 'Write down the blend' }).click();
  await expect(page.getByRole('list', { name: 'Blends made' }).getByRole('listitem')).toHaveCount(1);
  await expect(docket(page)).toContainText('Fitted to 1 of your blends of combed top');
  await docket(page)
    .getByRole('button', { name: /Lay the coat of Belly from it/ })
    .click();
  await expect(layers(page).getByRole('listitem').last()).toContainText('3 Fawn top : 1 Cream top');
});

test('a colour is matched from the cupboard, from a lot and from a photograph with a grey card', async ({
  desk: page,
}) => {
  await openShade(page);
  await chooseArea(page, 'Belly');
  await room(page, 'Match a colour');
  await expect(docket(page)).toContainText('The nearest is');
  const target = docket(page).getByRole('textbox', { name: 'Match', exact: true });
  await target.fill('#38271c');
  await target.blur();
  // The belly's coat is thin: a little of the pale core shows through the very wool that has the colour.
  await expect(docket(page)).toContainText('The nearest is Dark umber top, same at arm’s length as wanted');
  // The flanks are matched through the tufts that lie over them: no coat is dark enough under those.
  await chooseArea(page, 'Flanks');
  await room(page, 'Match a colour');
  await target.fill('#38271c');
  await target.blur();
  await expect(docket(page).getByRole('note').first()).toContainText('The layer of Fawn top is in the way');
  await accessible(page);
  // A wool beside a grey card under a yellow lamp.
  const card = [150, 119, 80] as const;
  await docket(page)
    .getByLabel('Photograph to take a colour from')
    .setInputFiles({
      name: 'wool.png',
      mimeType: 'image/png',
      buffer: photograph([[130, 78, 34], card, [40, 60, 90]]),
    });
  const photo = docket(page).getByRole('group', { name: 'Colours of wool.png' });
  await photo.getByRole('button', { name: 'show the grey card' }).click();
  const picture = photo.getByRole('button', { name: /wool.png: arrows move/ });
  await picture.click({ position: { x: 150, y: 40 } });
  await expect(photo.getByRole('textbox', { name: 'Card in life', exact: true })).toHaveValue('#777777');
  await picture.click({ position: { x: 40, y: 40 } });
  const neutral = await target.inputValue();
  expect(neutral).not.toBe('#824e22');
  // The palette of the picture: three fields, one of them the wool.
  await expect(photo.getByRole('group', { name: 'Palette of the photograph' }).getByRole('button')).toHaveCount(3);
  // By keys: the crosshair moved, the colour taken.
  await picture.focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect.poll(() => target.inputValue()).not.toBe(neutral);
  await docket(page).getByRole('button', { name: 'Put the photograph away' }).click();
  // Nothing in stock is that violet: what is missing is said.
  await target.fill('#7a2a8a');
  await target.blur();
  await expect(docket(page).getByRole('note').filter({ hasText: 'Missing' })).toBeVisible();
  await target.fill('#7a5638');
  await target.blur();
  await expect(docket(page).getByRole('note')).toHaveCount(0);
  await docket(page).getByRole('button', { name: 'Use blend 1' }).click();
  await expect(docket(page).getByText(/Seen as/)).toBeVisible();
  await expect(docket(page).getByRole('textbox', { name: 'Wanted', exact: true })).toHaveValue('#7a5638');
});

test('markings: a stripe made by keys and by hand, measured, broken; a wrong width is refused', async ({
  desk: page,
}) => {
  await openShade(page);
  await chooseArea(page, 'Flanks');
  await room(page, 'Markings');
  await expect(docket(page)).toContainText('measured from the midline');
  await docket(page).getByRole('button', { name: 'Add a marking' }).click();
  await page.getByRole('menuitem', { name: 'Stripe' }).click();
  const measures = docket(page).getByLabel('Measures of Stripe');
  await expect(measures).toContainText('along the skin');
  await expect(measures).toContainText('by callipers');
  const width = docket(page).getByRole('textbox', { name: 'Width, start' });
  await width.fill('900');
  await expect(docket(page).getByText('Width, start must be between 0.5 mm and 400 mm')).toBeVisible();
  await width.fill('9');
  await width.blur();
  const before = await measures.innerText();
  await docket(page).getByRole('button', { name: 'Draw it on the animal' }).click();
  await page.getByRole('button', { name: 'L left' }).click();
  const stage = page.getByRole('img', { name: /Pine marten seen from/ });
  const box = (await stage.boundingBox())!;
  const [x, y] = [box.x + box.width * 0.42, box.y + box.height * 0.5];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 10; i++) await page.mouse.move(x + 8 * i, y - i);
  await page.mouse.up();
  await expect.poll(() => measures.innerText()).not.toBe(before);
  await docket(page)
    .getByRole('checkbox', { name: /broken into dashes/ })
    .check();
  await expect(docket(page).getByRole('textbox', { name: 'Dash' })).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(docket(page).getByRole('checkbox', { name: /broken into dashes/ })).not.toBeChecked();
  for (const kind of ['Spot', 'Bars', 'Sock', 'Mask', 'Painted patch', 'Blaze']) {
    await docket(page).getByRole('button', { name: 'Add a marking' }).click();
    await page.getByRole('menuitem', { name: kind }).click();
    await expect(page.getByRole('list', { name: 'Markings' })).toContainText(kind);
  }
  await docket(page).getByRole('button', { name: 'Take away' }).click();
  await expect(page.getByRole('list', { name: 'Markings' })).not.toContainText('Blaze');
});

test('the whole is judged: pairs, palette under three daylights, small parts that clash', async ({ desk: page }) => {
  await openShade(page);
  await room(page, 'Judge');
  await expect(docket(page).getByRole('table', { name: 'Contrast of neighbours' })).toContainText('Flanks, belly');
  await expect(docket(page).getByRole('article', { name: /Nose vanishes against Muzzle/ })).toBeVisible();
  await expect(
    page.getByRole('group', { name: 'Palette of the piece' }).getByRole('img', { name: 'Tail, dusk' }),
  ).toBeVisible();
  await accessible(page);
  const nose = docket(page).getByRole('group', { name: 'Colour of Nose' });
  await nose.getByRole('combobox').first().click();
  await choose(page.getByRole('option', { name: 'Bright blue top' }));
  await nose.getByRole('button', { name: 'Take wool 2 out' }).click();
  const clash = docket(page).getByRole('article', { name: /Pads clashes with Nose/ });
  await expect(clash).toBeVisible();
  await clash.getByRole('button', { name: /Give Pads the colour of Nose/ }).click();
  await expect(clash).toHaveCount(0);
});

test('figures and relief have their own school of putting right; the steps follow it', async ({ desk: page }) => {
  await openShade(page, 'Brown hare in relief');
  await chooseArea(page, 'Belly');
  await expect(docket(page).getByRole('button', { name: 'covered' })).toHaveAttribute('aria-pressed', 'true');
  await docket(page).getByRole('checkbox', { name: 'a colour is wanted' }).check();
  const wanted = docket(page).getByRole('textbox', { name: 'Wanted', exact: true });
  await wanted.fill('#6b4426');
  await wanted.blur();
  const right = page.getByRole('region', { name: 'Putting it right' });
  await expect(right).toContainText('Cover it with');
  await docket(page).getByRole('button', { name: 'taken off' }).click();
  await expect(right).toContainText('Lift the top of the coat off');
});

test('a lot has its colour typed, mottled and its fineness from a grade', async ({ desk: page }) => {
  await openDemo(page);
  await page.goto('/cupboard');
  await page.getByRole('button', { name: 'Fawn top' }).click();
  const form = page.getByRole('region', { name: 'Fawn top' });
  const colour = form.getByRole('textbox', { name: 'Colour', exact: true });
  await colour.fill('#a0794f');
  await colour.blur();
  await form.getByRole('button', { name: 'Another colour in it' }).click();
  await form.getByRole('group', { name: 'Colour 2' }).getByRole('textbox', { name: 'Share' }).fill('0.3');
  await expect(form.getByText('pulled apart')).toBeVisible();
  await form.getByRole('combobox', { name: /Wool grade/ }).click();
  await choose(page.getByRole('option', { name: /^56s/ }));
  await expect(form.getByRole('textbox', { name: 'Fineness', exact: true })).toHaveValue('27.1');
  await accessible(page);
});
