/** Face in a real browser: begun, moved on the chart by mouse, finger and key, sized, set, built up, levelled, printed. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { accessible, choose, docket, expect, openDemo, test } from './desk';
import type { Demo } from './prepared';

const room = (page: Page, name: string | RegExp) =>
  page.getByRole('navigation', { name: 'Rooms of the face' }).getByRole('button', { name }).click();
const feature = (page: Page, name: RegExp) =>
  page.getByRole('list', { name: 'Features' }).getByRole('button', { name }).click();

async function openFace(page: Page, name: Demo = 'Pine marten'): Promise<void> {
  await openDemo(page, name, 'face');
  await expect(docket(page).getByText(/across,/)).toBeVisible();
}

const handle = (page: Page, what: string): Locator => page.locator(`[data-handle="${what}"]`);
/** The first length in the label of a handle. */
const measure = async (h: Locator): Promise<number> =>
  Number(/([\d.]+) mm/.exec((await h.getAttribute('aria-label')) ?? '')?.[1] ?? NaN);

test('a face is taken away, begun anew and brought back by undo; without a face nothing is printed', async ({
  desk: page,
}) => {
  await openFace(page);
  await page.getByRole('button', { name: 'Take the face away' }).click();
  await expect(docket(page)).toContainText('No face yet.');
  await page.keyboard.press('p');
  await expect(page.getByRole('menuitem', { name: /no face begun yet/ })).toBeDisabled();
  await page.keyboard.press('Escape');
  await docket(page).getByRole('button', { name: 'Begin the face' }).click();
  await expect(docket(page).getByText(/from the nose by callipers/)).toBeVisible();
  await expect(docket(page)).toContainText('No eyes are chosen from the cupboard.');
  await docket(page)
    .getByRole('button', { name: /^Use Black on a stem, 3 mm/ })
    .click();
  await expect(docket(page)).not.toContainText('No eyes are chosen');
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Features' })).toContainText('Brow whiskers');
});

test('the chart: numbers beside each feature, moved by mouse, by finger and by key, both sides alike', async ({
  desk: page,
}) => {
  await openFace(page);
  await accessible(page);
  await expect(docket(page)).toContainText('15.8 mm from the nose by callipers');
  await expect(page.getByRole('table', { name: 'Measures to the tip of the nose' })).toContainText(
    'Corner of the mouth',
  );
  await expect(
    page.getByRole('table', { name: 'Measures from side to side' }).getByRole('row', { name: /^Eye/ }),
  ).toContainText('13.3 mm');
  for (const v of ['front', 'three-quarter', 'profile']) {
    await expect(page.getByRole('img', { name: `The head from the ${v}` })).toBeVisible();
  }
  const left = handle(page, 'eye-left-front');
  const right = handle(page, 'eye-right-front');
  const before = await measure(left);
  expect(await measure(right)).toBeCloseTo(before, 0);
  // By key: four half millimetres toward the midline.
  await left.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
  expect(await measure(left)).toBeCloseTo(before - 2, 0);
  expect(await measure(right)).toBeCloseTo(before - 2, 0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect(await measure(left)).toBeCloseTo(before - 1.5, 0);
  // By mouse, as one change.
  const from = (await left.boundingBox())!;
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  const held = await measure(left);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 6, y + 2, { steps: 3 });
  await page.mouse.move(x + 12, y + 4, { steps: 3 });
  await page.mouse.up();
  const dropped = await measure(left);
  expect(dropped).toBeGreaterThan(held + 0.5);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect(await measure(left)).toBeCloseTo(held, 1);
  // By finger.
  const cdp = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', px: number, py: number) =>
    cdp.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x: px, y: py }] });
  await touch('touchStart', x, y);
  for (let i = 1; i <= 4; i++) await touch('touchMove', x + 3 * i, y);
  await touch('touchEnd', 0, 0);
  await expect.poll(() => measure(left)).toBeGreaterThan(held + 0.5);
  // The right eye by itself.
  await docket(page).getByLabel('Right eye mirrors the left').uncheck();
  const alone = await measure(left);
  await right.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
  expect(await measure(left)).toBeCloseTo(alone, 1);
  await expect(docket(page)).toContainText('out of level');
  await docket(page)
    .getByRole('button', { name: /^Let the right one mirror the left/ })
    .click();
  await expect(docket(page)).not.toContainText('out of level');
});

test('nose, mouth and ears: sizes, wool, room for the mouth, when the ears are set', async ({ desk: page }) => {
  await openFace(page);
  await feature(page, /^Nose/);
  const nose = docket(page).getByRole('group', { name: 'Nose', exact: true });
  await nose.getByRole('textbox', { name: 'Left for the mouth' }).fill('8');
  await expect(page.getByRole('list', { name: 'Features' }).getByRole('button', { name: /^Mouth/ })).toContainText('!');
  await feature(page, /^Mouth/);
  await docket(page)
    .getByRole('button', { name: /^Leave .* under the nose/ })
    .click();
  await expect(docket(page)).not.toContainText('no room for the mouth');
  const mouth = docket(page).getByRole('group', { name: 'Mouth', exact: true });
  await mouth.getByRole('textbox', { name: 'Each side', exact: true }).fill('900');
  await expect(docket(page)).toContainText('Each side must be between 0.5 mm and 120 mm');
  await mouth.getByRole('textbox', { name: 'Each side', exact: true }).fill('9');
  await expect(docket(page)).toContainText('From the middle 9 mm to each side');
  await mouth.getByRole('textbox', { name: 'Corner lifted' }).fill('-1,5');
  await expect(page.getByRole('list', { name: 'Features' }).getByRole('button', { name: /^Mouth/ })).toContainText(
    '9 mm each side',
  );
  await feature(page, /^Ears/);
  await expect(docket(page)).toContainText('Fur is laid round the ears');
  await docket(page)
    .getByRole('button', { name: /^Ears after the coat/ })
    .click();
  await expect(docket(page)).toContainText('The ears go into finished fur');
});

test('size and kind: what is at hand, where it stands between life and cute, each kind with its own steps', async ({
  desk: page,
}) => {
  await openFace(page);
  await expect(docket(page).getByRole('img', { name: /times life size: softened/ })).toBeVisible();
  await docket(page)
    .getByRole('list', { name: 'Eyes at hand' })
    .getByRole('button', { name: /4 mm, cute/ })
    .click();
  await expect(docket(page)).toContainText('it reads as cute');
  await docket(page)
    .getByRole('button', { name: /^Make it 2\.5 mm/ })
    .click();
  await expect(docket(page).getByRole('img', { name: /life-like/ })).toBeVisible();
  await room(page, 'Eye builder');
  await expect(page.getByRole('group', { name: 'Sizes of the eye compared' })).toContainText('life size');
  await room(page, 'Chart');
  await docket(page).getByRole('combobox', { name: 'Kind' }).click();
  await choose(page.getByRole('option', { name: 'Rolled wool ball' }));
  await room(page, 'Setting');
  await expect(docket(page).getByRole('list')).toContainText('Roll two balls side by side from equal pinches');
  await expect(docket(page).getByText('rolled to')).toBeVisible();
  await accessible(page);
});

test('the width in life is the maker’s: nothing is put in for it, and what is typed is what is judged', async ({
  desk: page,
}) => {
  await openFace(page);
  await page.getByRole('button', { name: 'Take the face away' }).click();
  await docket(page).getByRole('button', { name: 'Begin the face' }).click();
  await docket(page).getByRole('button', { name: 'Enter it' }).click();
  const width = docket(page).getByRole('textbox', { name: 'Width in life' });
  await expect(width).toHaveValue('');
  await expect(docket(page).getByRole('img', { name: /times life size/ })).toBeHidden();
  await width.fill('30');
  await expect(docket(page).getByRole('img', { name: /times life size/ })).toBeVisible();
});

test('setting: stems that meet, the remedy, the end of a stem moved by key, the angles to hold against the head', async ({
  desk: page,
}) => {
  await openFace(page);
  await room(page, 'Setting');
  await expect(docket(page)).toContainText('Drill 35° in and 20° down along the hole, cut the stems to 6 mm.');
  await expect(page.getByRole('img', { name: 'inward, seen from above: 35°' })).toBeVisible();
  const set = docket(page).getByRole('group', { name: 'Setting the eyes' });
  await set.getByRole('textbox', { name: 'Stem cut to' }).fill('14');
  await set.getByRole('textbox', { name: 'Hole inward' }).fill('70');
  await set.getByRole('textbox', { name: 'Hole inward' }).blur();
  await expect(docket(page)).toContainText('The two stems meet inside the head.');
  await docket(page)
    .getByRole('article', { name: /Stop: The two stems meet/ })
    .getByRole('button')
    .first()
    .click();
  await expect(docket(page)).not.toContainText('The two stems meet');
  const end = page.getByRole('button', { name: /^End of the left stem, from the front/ });
  const was = await end.getAttribute('aria-label');
  await end.focus();
  await page.keyboard.press('ArrowDown');
  await expect(end).not.toHaveAttribute('aria-label', was!);
  await accessible(page);
});

test('eye builder: pupil, lamp by key, mirrored lights, lids and what the face says; too small is said', async ({
  desk: page,
}) => {
  await openFace(page, 'Brown hare in relief');
  await room(page, 'Eye builder');
  await accessible(page);
  await expect(page.getByRole('table', { name: 'Sizes from rim to light' })).toContainText('Pupil, round');
  await expect(docket(page)).toContainText('The light stands at 11 o’clock');
  const lamp = page.locator('[data-handle="lamp"]');
  await lamp.focus();
  for (let i = 0; i < 18; i++) await page.keyboard.press('ArrowRight');
  await expect(docket(page)).toContainText(/The light stands at (1 o’clock|half past 1)/);
  await docket(page).getByRole('combobox', { name: 'Pupil', exact: true }).click();
  await choose(page.getByRole('option', { name: 'upright slit' }));
  await expect(page.getByRole('table', { name: 'Sizes from rim to light' })).toContainText('Pupil, upright slit');
  const layers = docket(page).getByRole('group', { name: 'Layers of the eye' });
  await layers.getByRole('textbox', { name: 'Size', exact: true }).fill('0.4');
  await layers.getByRole('textbox', { name: 'Size', exact: true }).blur();
  await expect(docket(page)).toContainText('Light is 0.4 mm: too small to felt.');
  await docket(page)
    .getByRole('button', { name: /^Make the light 0\.8 mm/ })
    .click();
  await expect(docket(page)).not.toContainText('too small to felt');
  await layers.getByRole('textbox', { name: 'Upper lid', exact: true }).fill('0.55');
  await layers.getByRole('textbox', { name: 'Upper lid', exact: true }).blur();
  await expect(docket(page)).toContainText('It looks sleepy');
  // The closed variant of the same eye.
  await room(page, 'Chart');
  await docket(page).getByRole('combobox', { name: 'Kind' }).click();
  await choose(page.getByRole('option', { name: 'Closed eye' }));
  await room(page, 'Setting');
  await expect(docket(page).getByRole('list')).toContainText('Draw two lids over a small padding');
  // What is closed has no iris, pupil or light to size, and looks nowhere.
  await room(page, 'Eye builder');
  const sizes = page.getByRole('table', { name: 'Sizes from rim to light' });
  await expect(docket(page)).toContainText('Eye builder');
  await expect(sizes).toHaveCount(0);
  await expect(page.locator('[data-handle="lamp"]')).toHaveCount(0);
  // A bought eye is as it was made.
  await room(page, 'Chart');
  await docket(page).getByRole('combobox', { name: 'Kind' }).click();
  await choose(page.getByRole('option', { name: /stem/i }).first());
  await room(page, 'Eye builder');
  await expect(docket(page).getByRole('combobox', { name: 'Pupil', exact: true })).toHaveCount(0);
  await expect(sizes).not.toContainText(/slit|Iris/);
});

test('whiskers and brows: added, threaded, glued with a trial first; fur that grows into the eye turned away', async ({
  desk: page,
}) => {
  await openFace(page, 'Brown hare in relief');
  await expect(docket(page)).toContainText('Fur of Head grows into the eye.');
  await docket(page)
    .getByRole('button', { name: /^Let it point away from the eye/ })
    .click();
  await expect(docket(page)).not.toContainText('Fur of Head grows into the eye.');
  await page.getByRole('button', { name: 'Add whiskers' }).click();
  await expect(docket(page)).toContainText(/8 threads cut to \d+(\.5)? mm, together \d+ cm/);
  await docket(page)
    .getByRole('button', { name: /^Use White horsehair/ })
    .click();
  await expect(docket(page)).not.toContainText('No thread is chosen');
  await docket(page).getByRole('group', { name: 'Glue' }).getByRole('button', { name: 'drawn in' }).click();
  await page.keyboard.press('6');
  const steps = page.getByRole('region', { name: 'Steps by sitting' });
  await expect(steps).toContainText('Try the glue on a spare piece');
  await expect(steps).toContainText(/needle Whiskers through from side to side, 4 passes/);
  await page.keyboard.press('4');
  // The hare has brows: taken away and added again.
  await feature(page, /^Brows/);
  await docket(page).getByRole('button', { name: 'Take the brows away' }).click();
  await expect(docket(page)).not.toContainText('above the eye. It looks');
  await page.getByRole('button', { name: 'Add brows' }).click();
  await expect(docket(page)).toContainText('above the eye. It looks');
  await expect(page.getByRole('button', { name: 'Add brows' })).toHaveCount(0);
});

test('is it level: a photograph clicked, one bad click named, callipers, the history, laid over the chart', async ({
  desk: page,
}) => {
  await openFace(page, 'Suri alpaca cria');
  await room(page, /Is it level/);
  await expect(docket(page)).toContainText('Lower the left eye 1.1 mm.');
  await page.getByLabel('Photograph of the piece to add').setInputFiles('docs/screenshots/form.png');
  const picture = page.getByRole('group', { name: 'form.png with its landmarks' });
  await expect(picture).toBeVisible();
  const box = (await page.locator('[data-photo] image').boundingBox())!;
  const press = async (name: string, x: number, y: number) => {
    await docket(page)
      .getByRole('list', { name: 'Landmarks to pin' })
      .getByRole('button', { name, exact: true })
      .click();
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  };
  await expect(docket(page)).toContainText('Press on the picture: one edge of an eye');
  // The eye is 5 mm: 40 pixels of the picture stand for it.
  const px = 40 / box.width;
  await press('one edge of an eye', 0.7, 0.4 - 20 / box.height);
  await press('the opposite edge of it', 0.7, 0.4 + 20 / box.height);
  await expect(docket(page)).toContainText('Pin at least one pair, such as both eyes.');
  await press('tip of the nose', 0.5, 0.7);
  await press('left eye', 0.7, 0.4 - (1.4 * px * box.width) / 5 / box.height);
  await press('right eye', 0.3, 0.4);
  await press('left corner of the mouth', 0.6, 0.8);
  await press('right corner of the mouth', 0.4, 0.8);
  await press('chin', 0.5, 0.9);
  await expect(docket(page)).toContainText(/(Lower the left|Raise the right) eye 1\.\d mm/);
  // A pin far off does not bend the midline.
  await press('crown, on the midline', 0.62, 0.15);
  await expect(docket(page).getByText(/^Left out of the midline/)).toContainText('crown, on the midline');
  await page.locator('[data-handle="crown"]').focus();
  for (let i = 0; i < 60; i++) await page.keyboard.press('ArrowLeft');
  // The eyes, really out of level, do not bend the line either.
  await expect(docket(page).getByText(/^Left out of the midline/)).not.toContainText('crown');
  await docket(page).getByRole('button', { name: 'Take this measure down' }).click();
  await expect(page.getByRole('list', { name: 'Measures taken' }).getByRole('listitem')).toHaveCount(2);
  await docket(page).getByRole('button', { name: 'Lay it over the chart' }).click();
  await expect(page.getByRole('img', { name: 'the photograph over the chart' })).toBeVisible();
  await accessible(page);
  await docket(page).getByRole('button', { name: 'Enter calliper measures' }).click();
  const callipers = docket(page).getByRole('group', { name: 'Calliper measures' });
  const left = callipers.getByRole('textbox', { name: 'From the tip of the nose, left' });
  await left.fill('34');
  await left.blur();
  await callipers.getByRole('button', { name: 'Take these measures down' }).click();
  await expect(page.getByRole('list', { name: 'Measures taken' }).getByRole('listitem')).toHaveCount(3);
  await page
    .getByRole('list', { name: 'Measures taken' })
    .getByRole('button', { name: /^Remove/ })
    .first()
    .click();
  await expect(page.getByRole('list', { name: 'Measures taken' }).getByRole('listitem')).toHaveCount(2);
});

test('a photograph of the animal is pinned, laid behind the chart and gives the size of the eye', async ({
  desk: page,
}) => {
  await openFace(page);
  await page.getByLabel('Photograph of the animal to add').setInputFiles('docs/screenshots/form.png');
  await page.getByRole('button', { name: 'Pin landmarks on form.png' }).click();
  const box = (await page.locator('[data-photo] image').boundingBox())!;
  const press = async (name: string, x: number, y: number) => {
    await docket(page)
      .getByRole('list', { name: 'Landmarks to pin' })
      .getByRole('button', { name, exact: true })
      .click();
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  };
  await press('tip of the nose', 0.5, 0.7);
  await press('left eye', 0.6, 0.45);
  await press('right eye', 0.4, 0.45);
  await press('one edge of an eye', 0.58, 0.45);
  await press('the opposite edge of it', 0.62, 0.45);
  await press('head at its widest, one side', 0.3, 0.5);
  await press('head at its widest, other side', 0.7, 0.5);
  await page.getByRole('button', { name: 'Back to the chart' }).click();
  await expect(page.getByRole('group', { name: /^Face chart/ }).locator('image')).toHaveCount(1);
  // A tenth of a head of 19.7 mm at 1 : 4.
  await docket(page)
    .getByRole('button', { name: /^Take 7\.\d mm from form\.png/ })
    .click();
  await expect(docket(page).getByRole('textbox', { name: 'Width in life' })).toHaveValue(/^7\.\d$/);
});

test('the face card prints at true size', async ({ desk: page }) => {
  await openFace(page);
  await page.keyboard.press('p');
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Face card/ }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('pine-marten-face-card.pdf');
  const dir = mkdtempSync(join(tmpdir(), 'face-'));
  const pdf = join(dir, 'face.pdf');
  await file.saveAs(pdf);
  expect(execFileSync('qpdf', ['--check', pdf]).toString()).toContain('No syntax or stream encoding errors');
  const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString();
  for (const words of [
    'Pine marten: face card',
    'Callipers and thread',
    'Holes for the stems',
    'Inward, seen from above: 35°',
    'The eye, from rim to light',
    'four times',
    'Brow whiskers',
    'Setting the eyes',
    'not a toy for a small child',
    'This bar measures 50 mm',
  ]) {
    expect(text).toContain(words);
  }
});
