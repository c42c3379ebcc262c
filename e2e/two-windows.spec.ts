/** Two windows on one store: nothing either of them did is lost, nothing is undone that another did, removal is told. */
import type { Page } from '@playwright/test';
import { accessible, docket, expect, openDemo, saved, settled, test } from './desk';

const field = (page: Page, name: string) => docket(page).getByRole('textbox', { name });
async function put(page: Page, name: string, value: string): Promise<void> {
  await field(page, name).fill(value);
  await field(page, name).blur();
}

test('both work on one piece: each follows the other, undo takes back only what its own window did', async ({
  desk: page,
  context,
}) => {
  await openDemo(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await settled(other);
  const spacing = await field(page, 'Row spacing').inputValue();
  await put(page, 'Row spacing', '4.5');
  await expect(field(other, 'Row spacing')).toHaveValue('4.5');
  await put(other, 'Lift', '33');
  await expect(field(page, 'Lift')).toHaveValue('33');
  await accessible(other);
  // The first window's own last change is the spacing.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'Row spacing')).toHaveValue(spacing);
  await expect(field(other, 'Row spacing')).toHaveValue(spacing);
  await expect(field(other, 'Lift')).toHaveValue('33');
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(field(page, 'Lift')).toHaveValue('33');
  // The same figure changed in the other window since: that cannot be taken back, and is said.
  await put(page, 'Lift', '25');
  await expect(field(other, 'Lift')).toHaveValue('25');
  await put(other, 'Lift', '40');
  await expect(field(page, 'Lift')).toHaveValue('40');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('it has been changed in another window since')).toBeVisible();
  await expect(field(page, 'Lift')).toHaveValue('40');
});

test('wool added in two windows at the same moment is there twice', async ({ desk: page, context }) => {
  await page.goto('/cupboard');
  await settled(page);
  const other = await context.newPage();
  await other.goto('/cupboard');
  await settled(other);
  const add = (p: Page) => p.getByRole('button', { name: 'Add wool' }).click();
  const wools = (p: Page) => p.getByRole('button', { name: /^New wool/ });
  const before = await wools(page).count();
  await Promise.all([add(page), add(other)]);
  await expect(wools(page)).toHaveCount(before + 2);
  await expect(wools(other)).toHaveCount(before + 2);
  await page.reload();
  await settled(page);
  await expect(wools(page)).toHaveCount(before + 2);
});

test('a piece taken off the shelf in one window does not come back with an edit in the other, unless it is put back', async ({
  desk: page,
  context,
}) => {
  await openDemo(page);
  const other = await context.newPage();
  await other.goto('/');
  await other.getByRole('button', { name: 'Remove Pine marten' }).click();
  const alert = page.getByRole('alert').filter({ hasText: 'Pine marten was taken off the shelf' });
  await expect(alert).toBeVisible();
  // Nothing in hand can be changed, on any stage: whatever changes the piece asks in one place whether it may.
  for (const stage of ['Form', 'Shade', 'Face', 'Coat']) {
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click();
    const fields = docket(page).locator('input:not([type=file])');
    await expect(fields.first()).toBeDisabled();
    await expect(fields.and(page.locator(':enabled'))).toHaveCount(0);
  }
  await expect(field(page, 'Row spacing')).toBeDisabled();
  await accessible(page);
  await expect(other.getByRole('button', { name: 'Remove Pine marten' })).toBeHidden();
  await alert.getByRole('button', { name: 'Put it back' }).click();
  await expect(alert).toBeHidden();
  await expect(other.getByRole('button', { name: 'Remove Pine marten' })).toBeVisible();
  await put(page, 'Row spacing', '4.5');
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(field(page, 'Row spacing')).toHaveValue('4.5');
});
