import bunny from 'bunny';
import type { Page } from '@playwright/test';
import { accessible, choose, chooseArea, docket, expect, figure, openDemo, saved, settled, test } from './desk';
import type { Demo } from './prepared';

/** Opens a demo piece in one of the rooms of the Form. */
async function room(page: Page, name: string, piece?: Demo): Promise<void> {
  if (piece !== undefined) await openDemo(page, piece, 'form');
  await page.getByRole('navigation', { name: 'Rooms of the form' }).getByRole('button', { name }).click();
}

const part = (page: Page, name: string) => page.getByRole('list', { name: 'Parts' }).getByRole('button', { name });
const value = async (page: Page, label: string) =>
  Number(await page.getByRole('textbox', { name: label, exact: true }).inputValue());

test('a piece from a body plan and any measure the maker knows', async ({ desk: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  await page.getByLabel('Name of the piece').fill('Dipper');
  const bodies = page.getByRole('radiogroup', { name: 'Body plan' });
  for (const plan of ['Standing', 'Sitting', 'Curled', 'Upright', 'Long-necked', 'Relief picture']) {
    await expect(bodies.getByRole('radio', { name: new RegExp(plan) })).toBeVisible();
  }
  await bodies.getByRole('radio', { name: 'Perching bird' }).click();
  await page.getByLabel('Measure you know').click();
  await choose(page.getByRole('option', { name: 'length of tail' }));
  await page.getByLabel(/^Finished/).fill('40');
  await page.getByLabel(/The same in life/).fill('80');
  await accessible(page);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(docket(page)).toContainText('at 1 : 2 of life');
  await part(page, 'Tail').click();
  expect(Math.abs((await value(page, 'Length')) - 40)).toBeLessThan(0.2);
});

test('a new piece keeps the measure that is known while bodies are tried, and puts it in another', async ({
  desk: page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  const body = (name: RegExp) => page.getByRole('radio', { name }).click();
  await page.getByLabel(/^Finished/).fill('120');
  await page.getByLabel(/The same in life/).fill('480');
  await body(/Perching bird/);
  await expect(page.getByLabel(/^Finished/)).toHaveValue('120');
  await body(/Sitting/);
  await expect(page.getByLabel(/^Finished/)).toHaveValue('120');
  await expect(page.getByLabel(/The same in life/)).toHaveValue('480');
  // The same animal by another measure: both change by as much, and come back.
  await page.getByRole('combobox', { name: 'Measure you know' }).click();
  await choose(page.getByRole('option').nth(1));
  const [finished, life] = [page.getByLabel(/^Finished/), page.getByLabel(/The same in life/)];
  await expect(finished).not.toHaveValue('120');
  expect(Math.abs(Number(await life.inputValue()) / Number(await finished.inputValue()) - 4)).toBeLessThan(0.1);
  await page.getByRole('button', { name: 'Cancel' }).click();
});

test('a new piece from a photograph is laid on it, one from a scan looks through it first', async ({ desk: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await dialog.getByLabel('Name of the piece').fill('From life');
  const photo = dialog.getByLabel('A photograph from its side');
  await photo.setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert').filter({ hasText: 'note.txt is not a picture' })).toBeVisible();
  await photo.setInputFiles('docs/screenshots/form.png');
  await expect(dialog.getByText('It is laid behind the animal, in Compare.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Begin' }).click();
  await page.waitForURL('**/form');
  await expect(page.getByText('form.png is laid behind the outline as soon as')).toBeVisible();
  await expect(page.getByLabel('form.png behind the outline of the animal').locator('image')).toBeVisible();
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  await dialog.getByLabel('Name of the piece').fill('From a base');
  const obj = [
    ...bunny.positions.map((p) => `v ${p.join(' ')}`),
    ...bunny.cells.map((c) => `f ${c.map((v) => v + 1).join(' ')}`),
  ].join('\n');
  const scan = { name: 'base.obj', mimeType: 'model/obj', buffer: Buffer.from(obj) };
  await dialog.getByLabel('A scan of your own base').setInputFiles(scan);
  await dialog.getByRole('button', { name: 'Leave out base.obj' }).click();
  await expect(dialog.getByText('base.obj')).toHaveCount(0);
  await dialog.getByLabel('A scan of your own base').setInputFiles(scan);
  await dialog.getByRole('button', { name: 'Begin' }).click();
  await page.waitForURL('**/form');
  await expect(page.getByRole('dialog', { name: 'base.obj' })).toContainText('small faces read');
});

test('shape: a part in hand is typed, dragged, bent, padded and taken away, all undone', async ({ desk: page }) => {
  await room(page, 'Shape', 'Pine marten');
  await page.keyboard.press('l');
  await part(page, 'Tail').click();
  const length = await value(page, 'Length');
  const whole = await value(page, 'Finished length');
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill(String(length + 20));
  await page.getByRole('textbox', { name: 'Length', exact: true }).blur();
  // The tail grows and nothing else: the animal is longer by about as much as the tail reaches back.
  await expect.poll(() => value(page, 'Finished length')).toBeGreaterThan(whole + 12);
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill('900');
  await expect(page.getByText(/Length must be between .* and .*/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill(String(length));
  await page.getByRole('textbox', { name: 'Length', exact: true }).blur();
  await expect.poll(async () => Math.abs((await value(page, 'Finished length')) - whole)).toBeLessThan(0.3);
  await accessible(page);

  // The square at its tip, pulled away from the body.
  await settled(page);
  const handle = page.locator('[data-handle="length"]');
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => value(page, 'Length')).toBeGreaterThan(length + 5);
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => Math.abs((await value(page, 'Length')) - length)).toBeLessThan(0.3);

  // Pressed on the animal: the part there comes into hand.
  const canvas = (await page.locator('canvas').boundingBox())!;
  await page.mouse.click(canvas.x + canvas.width * 0.42, canvas.y + canvas.height * 0.5);
  await expect(part(page, 'Trunk')).toHaveAttribute('aria-current', 'true');

  // One foreleg alone lifted: height and width stay, the pose is kept.
  await part(page, 'Foreleg').click();
  await page.getByRole('button', { name: 'left only' }).click();
  await page.getByRole('textbox', { name: 'Nod' }).fill('-40');
  await page.getByRole('textbox', { name: 'Nod' }).blur();
  await saved(page);
  await page.getByRole('button', { name: 'Add a pad' }).click();
  await page.getByRole('menuitem', { name: 'Thigh on foreleg' }).click();
  await expect(part(page, 'Thigh 2')).toHaveAttribute('aria-current', 'true');
  await page.getByRole('button', { name: 'Take away' }).click();
  await expect(part(page, 'Thigh 2')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(part(page, 'Thigh 2')).toHaveCount(1);
});

test('the end of a limb is carried by mouse and by key, the limb follows; one of a pair alone; taken back', async ({
  desk: page,
}) => {
  await room(page, 'Shape', 'Pine marten');
  await page.getByRole('button', { name: 'L left' }).click();
  await part(page, 'Hind leg').click();
  const turns = async () => [await value(page, 'Nod'), await value(page, 'Turn'), await value(page, 'Tilt')];
  const before = await turns();
  const handle = page.locator('[data-handle="end"]');
  const place = async () => (await page.locator('[data-handle="length"]').boundingBox())!;
  const at = (await handle.boundingBox())!;
  const tip = await place();
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 - 30, at.y + at.height / 2 - 14, { steps: 5 });
  await page.mouse.up();
  // Where the hand went, there the foot went: to the left of the picture, which is forward, and up.
  await expect.poll(async () => Math.round((await place()).x - tip.x)).toBeLessThan(-24);
  expect(Math.round((await place()).x - tip.x)).toBeGreaterThan(-36);
  expect(Math.round((await place()).y - tip.y)).toBeLessThan(-8);
  expect(await turns()).not.toEqual(before);
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect.poll(turns).toEqual(before);
  // Its weight is seen over its feet; on hind legs drawn far forward it would fall.
  const plumb = page.locator('[data-plumb]');
  await expect(plumb).toHaveAttribute('data-plumb', 'over its feet');
  // All legs in a walk at once.
  const stride = docket(page).getByRole('textbox', { name: 'Stride' });
  await stride.fill('24');
  await stride.blur();
  // As near as its joints let it.
  await expect(stride).toHaveValue(/^2[34]/);
  await settled(page);
  await expect(page.getByText(/cannot|Error/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(stride).toHaveValue('0');
  await expect.poll(turns).toEqual(before);

  await page.getByRole('button', { name: 'left only' }).click();
  const alone = await turns();
  await handle.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
  await expect.poll(turns).not.toEqual(alone);
  await page.getByRole('button', { name: 'both alike' }).click();
  expect(await turns()).toEqual(before);
  await settled(page);
  await accessible(page);

  // The sign of a turn is the same for a tail as for a head: more lifts it.
  for (const name of ['Tail', 'Head']) {
    await part(page, name).click();
    await expect(docket(page)).toContainText('Above 0 its end goes up');
  }

  // The head, in hand now, turns to whoever looks: what it looks at lies over its nose as seen.
  const middle = async (mark: string) => {
    const b = (await page.locator(`[data-handle="${mark}"] > .shape`).boundingBox())!;
    return [b.x + b.width / 2, b.y + b.height / 2] as const;
  };
  const off = async () => {
    const [look, nose] = [await middle('look'), await middle('length')];
    return Math.hypot(look[0] - nose[0], look[1] - nose[1]);
  };
  const ahead = await turns();
  await page.getByRole('button', { name: 'Let it look at you' }).click();
  await expect.poll(turns).not.toEqual(ahead);
  await expect.poll(off).toBeLessThan(36);
  // It lies beside the handle of the nose and not over it.
  expect(await off()).toBeGreaterThan(24);
  await page.keyboard.press('Control+z');
  await expect.poll(turns).toEqual(ahead);
  await page.locator('[data-handle="look"]').focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
  await expect.poll(turns).not.toEqual(ahead);
  await settled(page);
});

test('toward its kind: a slider moves many parts together, is measured on them, one change to undo', async ({
  desk: page,
}) => {
  await room(page, 'Shape', 'Pine marten');
  const kind = page.getByRole('group', { name: 'Toward its kind' });
  await expect(kind).toContainText('Standing quadruped');
  const legs = kind.getByRole('textbox', { name: 'Legs: low to leggy' });
  const before = await legs.inputValue();
  const high = async () => Number(/([\d.]+) mm to its highest point/.exec(await docket(page).innerText())![1]);
  const tall = await high();
  await legs.fill('90');
  await settled(page);
  // A third longer in the legs, which are some two fifths of its height.
  expect((await high()) / tall).toBeGreaterThan(1.08);
  expect((await high()) / tall).toBeLessThan(1.25);
  await legs.fill('200');
  await expect(kind).toContainText('Legs: low to leggy must be between 60');
  await legs.fill('90');
  await kind.getByRole('slider', { name: 'Neck: short to long' }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
  await expect(kind.getByRole('textbox', { name: 'Neck: short to long' })).not.toHaveValue('86');
  // A part made longer by hand shows here as well.
  await part(page, 'Foreleg').click();
  const length = page.getByRole('textbox', { name: 'Length', exact: true });
  await length.fill(String(Number(await length.inputValue()) * 0.8));
  await expect.poll(async () => Number(await legs.inputValue())).toBe(72);
  await part(page, 'Trunk').click();
  await settled(page);
  await accessible(page);
  for (let i = 0; i < 12 && (await legs.inputValue()) !== before; i++) await page.keyboard.press('Control+z');
  await expect(legs).toHaveValue(before);
});

test('core, frame and standing: cut open, schools, swallowed parts, wire, feet', async ({ desk: page }) => {
  await room(page, 'Core', 'Pine marten');
  await expect(docket(page)).toContainText(/Build the core from \d/);
  await expect(page.getByRole('button', { name: 'cut open' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('c');
  await expect(page.getByRole('button', { name: 'finished', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('c');
  await expect(page.getByRole('button', { name: 'core', exact: true })).toHaveAttribute('aria-pressed', 'true');
  const table = page.getByRole('table', { name: 'Parts of the core' });
  // The head of the table, twelve parts, two alike counted once, their collars and the sum.
  await expect(table.getByRole('row')).toHaveCount(15);
  await expect(table).toContainText('Foreleg, 2 alike');
  await part(page, 'Neck').click();
  await expect(docket(page).getByRole('img', { name: 'Neck cut at 50 % of its length' })).toBeVisible();
  await docket(page)
    .getByRole('button', { name: /58 mm|\d+ mm/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('Length before it is joined');
  await page.keyboard.press('Escape');
  await accessible(page);
  // Without a coat of their own, a thick one allowed for on the legs leaves no core in them.
  await room(page, 'Areas');
  await chooseArea(page, 'Legs');
  await page.getByRole('button', { name: 'Take away', exact: true }).click();
  await room(page, 'Core');
  const allowance = page.getByRole('textbox', { name: 'Where no coat is planned' });
  await allowance.fill('7');
  await allowance.blur();
  const stop = page.getByRole('article', { name: /The coat would swallow Foreleg/ });
  await expect(stop).toContainText(/at most \d/);
  await stop.getByRole('button', { name: /^Take Foreleg as drawn for its core/ }).click();
  await expect(stop).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(stop).toHaveCount(1);
  await page.getByRole('button', { name: 'full size, thin coat' }).click();
  await expect(stop).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(stop).toHaveCount(0);

  // A tail that is all fur round its wire: as drawn with fur over it, or a wrapped wire, with its sizes.
  await part(page, 'Tail').click();
  const under = docket(page).getByRole('group', { name: 'Under its fur' });
  await under.getByRole('button', { name: 'as drawn, fur over it' }).click();
  await expect(docket(page).getByText('Across with its fur', { exact: true })).toBeVisible();
  await under.getByRole('button', { name: 'a wrapped wire' }).click();
  await expect(docket(page).getByText('Across the wrapped wire')).toBeVisible();
  await expect(docket(page).getByText('Across with its fur', { exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(under.getByRole('button', { name: 'thinner by its fur' })).toHaveAttribute('aria-pressed', 'true');

  await room(page, 'Frame');
  await expect(docket(page)).toContainText('Galvanised wire 1.2 mm in one piece');
  await page.getByRole('button', { name: 'separate wires' }).click();
  await expect(docket(page)).toContainText('in 3 pieces');
  await expect(page.getByLabel('Wires to cut')).toContainText('Hind leg, left to right');
  await page.getByRole('button', { name: 'one wire, doubled' }).click();
  await page.getByRole('combobox', { name: 'Wire' }).click();
  await choose(page.getByRole('option', { name: /Aluminium wire/ }));
  const short = page.getByRole('article', { name: /Not enough Aluminium wire/ });
  await expect(short).toBeVisible();
  await short.getByRole('button', { name: /Use Galvanised/ }).click();
  await expect(short).toHaveCount(0);
  await accessible(page);

  await room(page, 'Stands');
  await expect(docket(page)).toContainText('It stands.');
  await expect(docket(page).getByRole('img', { name: /the middle of the weight lies inside it/ })).toBeVisible();
  await room(page, 'Shape');
  await part(page, 'Foreleg').click();
  await page.getByRole('textbox', { name: 'Nod' }).fill('-75');
  await page.getByRole('textbox', { name: 'Nod' }).blur();
  await room(page, 'Stands');
  await expect(page.getByRole('article', { name: /falls forward/ })).toContainText('further out');
  await accessible(page);
});

test('a weight low in it, by keys: it weighs, is seen under its feet, is a step, and is taken out again', async ({
  desk: page,
}) => {
  await room(page, 'Stands', 'Pine marten');
  const weighs = async () => parseFloat(await figure(page, 'weight with coat and wire'));
  const before = await weighs();
  await docket(page).getByRole('checkbox', { name: 'a weight low in it' }).press('Space');
  await settled(page);
  const weight = docket(page).getByRole('textbox', { name: 'Weight', exact: true });
  await weight.fill('3000');
  await expect(docket(page).getByText('Weight must be between 0.5 g and 2000 g')).toBeVisible();
  await weight.fill('12');
  await weight.press('Tab');
  await settled(page);
  expect(Math.abs((await weighs()) - before - 12)).toBeLessThan(0.11);
  await expect(page.getByRole('img', { name: /a square marks the weight put low into it/ })).toBeVisible();
  await accessible(page);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('6');
  await settled(page);
  await expect(page.getByText(/Wrap something heavy, 12(\.0)? g, in a little wool/).first()).toBeVisible();
  await page.keyboard.press('1');
  await settled(page);
  await docket(page).getByRole('checkbox', { name: 'a weight low in it' }).press('Space');
  await settled(page);
  expect(await weighs()).toBe(before);
});

test('photographs: scaled by two points, pinned by mouse and by key, differences and proportions, kept', async ({
  desk: page,
}) => {
  await room(page, 'Compare', 'Pine marten');
  await page.getByLabel('Photograph to add').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no picture'),
  });
  await expect(page.getByText('notes.txt is not a picture this browser can show')).toBeVisible();
  await page.getByLabel('Photograph to add').setInputFiles('docs/screenshots/form.png');
  const picture = page.getByLabel('form.png behind the outline of the animal');
  await expect(picture.locator('image')).toBeVisible();
  await expect(picture.locator('polyline').first()).toBeVisible();
  const known = page.getByRole('textbox', { name: 'The two points, in life' });
  await known.fill('0');
  await expect(page.getByText(/The two points, in life must be between/)).toBeVisible();
  await known.fill('640');
  await known.blur();
  const pin = async (name: string) => {
    await page.getByRole('combobox', { name: 'Pin a landmark' }).click();
    // By key: the list is still unfolding when it is first there.
    await page.getByRole('option', { name, exact: true }).press('Enter');
    await expect(page.getByRole('listbox')).toHaveCount(0);
  };
  for (const l of ['tip of tail', 'root of tail', 'tip of foreleg', 'root of foreleg']) await pin(l);
  const table = page.getByRole('table', { name: 'Landmarks, furthest off first' });
  await expect(table.getByRole('row')).toHaveCount(5);
  // Twelve presses of half a millimetre; the picture settles to the mean of its four pins.
  await picture.getByRole('button', { name: /Pin, tip of tail/ }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await expect(docket(page)).toContainText(/Furthest off is the tip of tail, by [3-6](\.5)? mm/);
  await expect(page.getByRole('table', { name: 'Proportions, worst first' })).toContainText(/too (long|short)/);
  // And by hand.
  const grip = page.locator('[data-handle="foreleg:tip"] circle:last-of-type');
  const box = (await grip.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 60, { steps: 5 });
  await page.mouse.up();
  await expect(docket(page)).toContainText('Furthest off is the tip of foreleg');
  // The finished animal held against it: beside it, and up to a line that is moved by key.
  const held = docket(page).getByRole('group', { name: 'Held against it' });
  await held.getByRole('button', { name: 'side by side' }).click();
  await expect(picture.locator('image[data-finished]')).toBeVisible({ timeout: 60_000 });
  await expect(picture.locator('polyline')).toHaveCount(0);
  const wide = async (which: string) => (await picture.locator(which).boundingBox())!;
  const [photo, animal] = [await wide('image:not([data-finished])'), await wide('image[data-finished]')];
  expect(animal.x).toBeGreaterThan(photo.x + photo.width);
  await held.getByRole('button', { name: 'up to a line' }).click();
  const line = picture.getByRole('button', { name: /Line between the finished animal and the photograph: 50 %/ });
  await line.focus();
  await page.keyboard.press('ArrowRight');
  await expect(picture.getByRole('button', { name: /photograph: 52 %/ })).toBeVisible();
  await accessible(page);
  await held.getByRole('button', { name: 'outline' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('form.png behind the outline of the animal').locator('image')).toBeVisible();
  await expect(docket(page)).toContainText('Furthest off is the tip of foreleg');
});

test('an ear is one thing: at its part, at its pattern, in the face and on the chart', async ({ desk: page }) => {
  await room(page, 'Flat parts', 'Pine marten');
  const made = docket(page).getByRole('group', { name: 'How Ear is made' });
  const cupped = made.getByRole('textbox', { name: 'Cupped' });
  await expect(cupped).toHaveValue('80');
  await cupped.fill('30');
  await made.getByRole('textbox', { name: 'Thickness', exact: true }).fill('2.6');
  await made.getByRole('textbox', { name: 'Thickness', exact: true }).blur();
  await settled(page);
  // The part it stands for is as thick and as hollow.
  await room(page, 'Shape');
  await part(page, 'Ear').click();
  const shape = docket(page).getByRole('group', { name: 'Shape of Ear' });
  await expect(shape.getByRole('textbox', { name: 'Across the sheet' })).toHaveValue('2.6');
  await expect(shape.getByRole('textbox', { name: 'Cupped' })).toHaveValue('30');
  // And so is the ear of the face: turned there its edge on the chart is another, and its pattern is not.
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Face/ }).click();
  await page.getByRole('list', { name: 'Features' }).getByRole('button', { name: /^Ears/ }).click();
  const ears = docket(page).getByRole('group', { name: 'Ears', exact: true });
  await expect(ears.getByRole('textbox', { name: 'Cupped' })).toHaveValue('30');
  await settled(page);
  const edge = page.locator('[data-what="ear"]').first();
  const was = await edge.getAttribute('points');
  await ears.getByRole('textbox', { name: 'Turned out' }).fill('70');
  await ears.getByRole('textbox', { name: 'Leaning back' }).fill('40');
  await ears.getByRole('textbox', { name: 'Leaning back' }).blur();
  await settled(page);
  await expect(edge).not.toHaveAttribute('points', was!);
  await accessible(page);
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await settled(page);
  await expect(edge).toHaveAttribute('points', was!);
});

test('a pad is drawn as its pattern with one press', async ({ desk: page }) => {
  await room(page, 'Flat parts', 'Pine marten');
  await docket(page).getByRole('combobox', { name: 'Stands for' }).click();
  await choose(page.getByRole('option', { name: 'Cheeks' }));
  await expect(docket(page)).toContainText('Cheeks is drawn as a pad');
  await settled(page);
  const area = () => docket(page).locator('dd').first().innerText();
  const was = await area();
  await docket(page).getByRole('button', { name: 'Draw Cheeks as this pattern' }).click();
  await settled(page);
  await expect(docket(page).getByRole('textbox', { name: 'Cupped' })).toHaveValue('0');
  expect(await area()).toBe(was);
  // Another kind brings another outline, and both are one change to undo.
  await docket(page).getByRole('combobox', { name: 'Kind' }).click();
  await choose(page.getByRole('option', { name: 'tail feather' }));
  await settled(page);
  expect(await area()).not.toBe(was);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await settled(page);
  expect(await area()).toBe(was);
  await expect(docket(page).getByRole('combobox', { name: 'Kind' })).toHaveText('ear');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(docket(page)).toContainText('Cheeks is drawn as a pad');
});

test('flat parts and areas: outline by key, lining, painting by mouse, bands, split, join, undo', async ({
  desk: page,
}) => {
  await room(page, 'Flat parts', 'Pine marten');
  await expect(docket(page)).toContainText('Make two alike');
  const area = async () => parseFloat((await docket(page).locator('dd').first().innerText()).replace(/[^\d.]/g, ''));
  const before = await area();
  await page.getByRole('button', { name: 'Point 5 of 9' }).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowUp');
  await expect.poll(area).toBeGreaterThan(before * 1.03);
  await page.getByRole('button', { name: 'Add a point', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Point 10 of 10' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Thickness' }).fill('0.9');
  await page.getByRole('textbox', { name: 'Thickness' }).blur();
  const through = page.getByRole('article', { name: /The lining of Ear will show through/ });
  await through.getByRole('button', { name: /Make it/ }).click();
  await expect(through).toHaveCount(0);
  await accessible(page);

  await room(page, 'Areas');
  await page.keyboard.press('l');
  await page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: 'Belly' }).click();
  await settled(page);
  const covers = async () => parseFloat(/covers ([\d.]+)/.exec(await docket(page).innerText())![1]!);
  const belly = await covers();
  await page.getByRole('button', { name: 'paint', exact: true }).click();
  const canvas = (await page.locator('canvas').boundingBox())!;
  await page.mouse.move(canvas.x + canvas.width * 0.48, canvas.y + canvas.height * 0.5);
  await page.mouse.down();
  await page.mouse.move(canvas.x + canvas.width * 0.56, canvas.y + canvas.height * 0.5, { steps: 8 });
  await page.mouse.up();
  await expect(docket(page)).toContainText('One stroke is painted over these places.');
  // The belly lies under the flanks in the list but over the trunk's upper side; what it gains here is its own.
  await expect.poll(covers).not.toBe(belly);
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect(docket(page)).not.toContainText('One stroke');

  // The same by keyboard: a new area, its part and bands typed; last in the list, so it has all it claims.
  await page.getByRole('button', { name: 'turn the animal' }).click();
  await page.getByRole('button', { name: 'New area' }).click();
  await expect(page.getByLabel('Name of the area')).toHaveValue('New area 13');
  await page.getByLabel('Name of the area').fill('Left sock');
  await expect(page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: 'Throat bib' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Part' }).click();
  await choose(page.getByRole('option', { name: 'Foreleg' }));
  await page.getByRole('button', { name: 'left', exact: true }).click();
  await page.getByRole('textbox', { name: 'To, along' }).fill('0.95');
  await page.getByRole('textbox', { name: 'To, along' }).blur();
  await settled(page);
  await expect(docket(page)).toContainText('Left sock covers');
  const sock = await covers();
  expect(sock).toBeGreaterThan(0.5);
  await page.getByRole('button', { name: 'erase', exact: true }).click();
  const hits = (await page.locator('canvas').boundingBox())!;
  expect(hits.width).toBeGreaterThan(200);
  await page.getByRole('button', { name: 'Split' }).click();
  await page.getByRole('menuitem', { name: /half way along/ }).click();
  await expect(page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: 'Left sock 2' })).toBeVisible();
  await expect.poll(covers).toBeLessThan(sock * 0.8);
  await page.getByRole('button', { name: 'Join another to it' }).click();
  await page.getByRole('menuitem', { name: 'Left sock 2' }).click();
  await expect.poll(covers).toBeGreaterThan(sock * 0.9);
  await accessible(page);
});

test('an own base: a scan is read, reported, sized, used, covered and undone; what is no scan changes nothing', async ({
  desk: page,
}) => {
  await room(page, 'Shape', 'Pine marten');
  const input = page.getByLabel('Scan to bring in');
  await input.setInputFiles({
    name: 'photo.stl',
    mimeType: 'model/stl',
    buffer: Buffer.from([137, 80, 78, 71, 1, 2, 3]),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'photo.stl is not a scan this desk can read' })).toContainText(
    'Nothing was changed',
  );
  const obj = [
    ...bunny.positions.map((p) => `v ${p.join(' ')}`),
    ...bunny.cells.map((c) => `f ${c.map((v) => v + 1).join(' ')}`),
  ].join('\n');
  await input.setInputFiles({ name: 'base.obj', mimeType: 'model/obj', buffer: Buffer.from(obj) });
  const dialog = page.getByRole('dialog', { name: 'base.obj' });
  await expect(dialog.getByRole('list', { name: 'What was done' })).toContainText('small faces read');
  await dialog.getByRole('combobox', { name: 'Nose points to' }).click();
  await choose(page.getByRole('option', { name: '+y' }));
  await expect(dialog.getByRole('alert')).toContainText('two different ways');
  await dialog.getByRole('combobox', { name: 'Nose points to' }).click();
  await choose(page.getByRole('option', { name: '-x' }));
  await dialog.getByRole('combobox', { name: 'Unit' }).click();
  await choose(page.getByRole('option', { name: 'in', exact: true }));
  await expect(dialog).toContainText(/\d+ mm nose to tail/);
  await accessible(page);
  await dialog.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByRole('region', { name: 'Own base' })).toContainText('base.obj is the core');
  await expect(part(page, 'Own base')).toBeVisible();
  // Nothing of it is felted, and nowhere in the room is it told to be.
  await room(page, 'Core');
  await expect(docket(page)).toContainText('nothing of it is felted');
  await expect(page.getByRole('table', { name: 'Parts of the core' })).toHaveCount(0);
  await expect(part(page, 'Own base')).not.toContainText(/\d g/);
  await accessible(page);
  await room(page, 'Shape');
  await page.keyboard.press('2');
  await expect(docket(page).getByText('hem first')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(docket(page).getByText('hem first')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('region', { name: 'Own base' })).toContainText('kept');
});
