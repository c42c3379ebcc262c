/** A whole piece from an empty browser to printed sheets: once by keys alone, once by touch alone on a phone. */
import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { docket, expect, saved, settled, test } from './desk';

/** Goes on by Tab until what has the focus is the one looked for. */
async function tabTo(page: Page, goal: Locator, most = 200): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    if (await goal.evaluate((e) => e === document.activeElement)) return;
  }
  throw new Error(`${String(goal)} is not reached by Tab`);
}

const pdf = async (path: string) => readFileSync(path).subarray(0, 5).toString('latin1');

test('a whole piece by keys alone, from an empty browser to printed sheets', async ({ desk: page }) => {
  await page.goto('/');
  await settled(page);
  await tabTo(page, page.getByRole('button', { name: 'New piece' }));
  await page.keyboard.press('Enter');
  await page.keyboard.type('Polecat');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/form');
  await settled(page);
  // Longer: the part in the list, its length in the field.
  await tabTo(page, page.getByRole('list', { name: 'Parts' }).getByRole('button', { name: 'Tail' }));
  await page.keyboard.press('Enter');
  const long = page.getByRole('textbox', { name: 'Length', exact: true });
  await tabTo(page, long);
  const was = Number(await long.inputValue());
  await page.keyboard.type(String(Math.round(was + 10)));
  await page.keyboard.press('Tab');
  await settled(page);
  expect(Math.abs(Number(await long.inputValue()) - Math.round(was + 10))).toBeLessThan(0.6);
  // Its coat: another area, its spacing by the arrows of the slider.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('2');
  await settled(page);
  const slider = page.getByRole('slider', { name: 'Row spacing, slider' });
  await page.keyboard.press('.');
  const area = page.getByRole('list', { name: 'Areas' }).locator('[aria-current="true"]');
  await expect(area).toBeVisible();
  // On to the next that is laid in rows.
  for (let i = 0; i < 12 && !(await slider.isVisible()); i++) await page.keyboard.press('.');
  await tabTo(page, slider);
  const spacing = await page.getByRole('textbox', { name: 'Row spacing' }).inputValue();
  await page.keyboard.press('ArrowLeft');
  await settled(page);
  expect(Number(await page.getByRole('textbox', { name: 'Row spacing' }).inputValue())).toBeLessThan(Number(spacing));
  // What is to be decided, and folding one away with a reason.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, page.getByRole('region', { name: 'Findings' }).getByRole('button'));
  await page.keyboard.press('Enter');
  const list = page.getByRole('dialog');
  const know = list.getByRole('button', { name: 'I know' }).first();
  const cards = await list.getByRole('article').count();
  await tabTo(page, know);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Tried on a swatch');
  await page.keyboard.press('Enter');
  await expect(list.getByRole('article')).toHaveCount(cards - 1);
  await page.keyboard.press('Escape');
  await expect(list).toBeHidden();
  // The face begun, the order looked at, a row begun at the bench and taken back.
  await page.keyboard.press('4');
  await settled(page);
  await tabTo(page, page.getByRole('button', { name: 'Begin the face' }));
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByRole('navigation', { name: 'Rooms of the face' })).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('7');
  await settled(page);
  await page.keyboard.press('Space');
  await expect(page.getByRole('timer')).toBeVisible();
  await page.keyboard.press('Backspace');
  // Paper.
  await page.keyboard.press('p');
  const download = page.waitForEvent('download');
  await expect(page.getByRole('menuitem', { name: /Row sheets/ })).toBeFocused();
  await page.keyboard.press('Enter');
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^polecat.*row-sheets\.pdf$/);
  expect(await pdf(await file.path())).toBe('%PDF-');
  await saved(page);
});

test.describe('by touch', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });
  test('a whole piece by touch alone on a phone', async ({ desk: page }) => {
    await page.goto('/');
    await settled(page);
    await page.getByRole('button', { name: 'New piece' }).tap();
    const dialog = page.getByRole('dialog', { name: 'New piece' });
    await dialog.getByRole('radio', { name: /Sitting/ }).tap();
    await dialog.getByLabel('Name of the piece').tap();
    await page.keyboard.type('Polecat');
    await dialog.getByRole('button', { name: 'Begin' }).tap();
    await page.waitForURL('**/form');
    await settled(page);
    const see = (what: string) =>
      page.getByRole('navigation', { name: 'What is seen' }).getByRole('button', { name: what, exact: true }).tap();
    await page.getByRole('button', { name: 'Got it' }).tap();
    await see('Picture');
    await settled(page);
    await expect(page.getByRole('img', { name: /^Polecat seen from/ })).toBeVisible();
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Coat/ }).tap();
    await settled(page);
    await see('Areas');
    await page.getByRole('list', { name: 'Areas' }).getByRole('button').first().tap();
    // The docket comes by itself.
    await expect(docket(page)).toBeVisible();
    const field = docket(page).getByRole('textbox', { name: 'Row spacing' });
    await field.tap();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('2.5');
    await page.keyboard.press('Enter');
    await settled(page);
    await expect(field).toHaveValue('2.5');
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Bench/ }).tap();
    await settled(page);
    // What to do and what does it, together.
    await expect(docket(page).getByRole('heading', { name: /^Step 1$/ })).toBeInViewport();
    await expect(page.getByRole('button', { name: /^(Begin|Step done|Done)/ })).toBeInViewport();
    await page.getByRole('button', { name: 'More' }).tap();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: /Row sheets/ }).tap();
    expect(await pdf(await (await download).path())).toBe('%PDF-');
    await saved(page);
  });
});
