import { accessible, choose, chooseArea, docket, expect, figure, openDemo, saved, test } from './desk';

test('close the browser at any moment and find everything as it was', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Back');
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  await spacing.fill('5');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('l');
  await page.keyboard.press('o');
  await saved(page);
  const rows = await figure(page, 'of rows');
  await page.reload();
  await expect(docket(page).getByRole('heading', { level: 2 })).toHaveText('Back');
  await expect(docket(page).getByRole('textbox', { name: 'Row spacing' })).toHaveValue('5');
  await expect(page.getByRole('img', { name: /seen from the left, showing colour/ })).toBeVisible();
  await expect.poll(() => figure(page, 'of rows')).toBe(rows);
  // Undo after coming back from another room in the same window.
  await chooseArea(page, 'Belly');
  const length = docket(page).getByRole('textbox', { name: 'Length' });
  await length.fill('15');
  await length.blur();
  await saved(page);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Open Pine marten' }).click();
  await expect(length).toHaveValue('15');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(length).toHaveValue('12');
});

test('a second window looks on, follows, and takes over when asked', async ({ desk: page, context }) => {
  await openDemo(page);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('This piece is open in another window.')).toBeVisible();
  await expect(docket(other).getByRole('textbox', { name: 'Row spacing' })).toBeDisabled();
  await accessible(other);
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  await spacing.fill('4.5');
  await spacing.blur();
  await expect(docket(other).getByRole('textbox', { name: 'Row spacing' })).toHaveValue('4.5');
  await other.getByRole('button', { name: 'Work here instead' }).click();
  await expect(docket(other).getByRole('textbox', { name: 'Row spacing' })).toBeEnabled();
  await expect(page.getByText('This piece is open in another window.')).toBeVisible();
  await docket(other).getByRole('textbox', { name: 'Row spacing' }).fill('3');
  await docket(other).getByRole('textbox', { name: 'Row spacing' }).blur();
  await expect(spacing).toHaveValue('3');
});

test('a drag of a slider is one change to undo', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Back');
  const field = docket(page).getByRole('textbox', { name: 'Length' });
  const slider = docket(page).getByRole('slider', { name: 'Length, slider' });
  // The mouse only reaches what is in view.
  await field.scrollIntoViewIfNeeded();
  const box = (await slider.locator('xpath=../..').boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.5, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(field).not.toHaveValue('15');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field).toHaveValue('15');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('what is stored but cannot be read is kept and said', async ({ desk: page }) => {
  await openDemo(page);
  await saved(page);
  await page.goto('/handbook');
  await page.evaluate(async () => {
    const open = indexedDB.open('fond-badger');
    const db = await new Promise<IDBDatabase>((r) => (open.onsuccess = () => r(open.result)));
    const store = db.transaction('pieces', 'readwrite').objectStore('pieces');
    const get = store.get('pine-marten');
    const value = await new Promise<{ doc: { schema: number } }>((r) => (get.onsuccess = () => r(get.result as never)));
    value.doc.schema = 99;
    store.put(value);
    await new Promise((r) => (store.transaction.oncomplete = r));
    db.close();
  });
  await page.goto('/piece/pine-marten/coat');
  await expect(page.getByText('It has been left as it is.')).toBeVisible();
  await expect(page.getByText(/written by a newer Fond Badger/)).toBeVisible();
});

test('cupboard, settings and handbook: changes reach the docket, units change everywhere', async ({ desk: page }) => {
  await openDemo(page);
  await chooseArea(page, 'Throat bib');
  await page.goto('/cupboard');
  await page.getByRole('button', { name: 'Cream top' }).click();
  const staple = page.getByRole('textbox', { name: 'Staple' });
  await staple.fill('30');
  await staple.blur();
  await accessible(page);
  await page.getByRole('button', { name: 'Add wool' }).click();
  await expect(page.getByRole('textbox', { name: 'Wool name' })).toHaveValue('New wool');
  await page.getByRole('textbox', { name: 'Wool name' }).fill('');
  await expect(page.getByText('Wool name must not be empty')).toBeVisible();
  await page.goto('/piece/pine-marten/coat');
  await expect(docket(page).getByRole('article', { name: /Cream top is too short/ })).toBeVisible();
  await page.goto('/settings');
  await page.getByLabel('Lengths').click();
  await choose(page.getByRole('option', { name: /Inches/ }));
  await page.getByLabel('Weights').click();
  await choose(page.getByRole('option', { name: 'Ounces' }));
  await accessible(page);
  await page.waitForTimeout(200);
  await page.goto('/piece/pine-marten/coat');
  await expect(docket(page)).toContainText('1 9/16 in');
  await expect(page.getByText(/7 5\/16 in nose to tail/)).toBeVisible();
  await page.goto('/handbook');
  await expect(page.getByRole('heading', { name: 'Cut length for a folded lay' })).toBeVisible();
  await accessible(page);
});

test('planning can be stopped and taken up again', async ({ desk: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open Suri alpaca cria' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped before the first plan was ready.')).toBeVisible();
  await expect(docket(page)).not.toContainText('hem first');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(docket(page)).toContainText('hem first');
  await expect(page.getByText(/^Stopped/)).toBeHidden();
});
