import type { Page } from '@playwright/test';
import { accessible, docket, expect, figure, openDemo, saved, settled, test } from './desk';

const room = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('navigation', { name: 'Rooms of the form' }).getByRole('button', { name }).click();
  await settled(page);
};
const field = (page: Page, label: string) => page.getByRole('textbox', { name: label, exact: true });
const mm = async (page: Page, label: string) => Number.parseFloat(await figure(page, label));
const things = (page: Page) => page.getByRole('list', { name: 'Small things' });

async function begin(page: Page, plan: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  await page.getByLabel('Name of the piece').fill('Somebody');
  await page.getByRole('radio', { name: new RegExp(plan) }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.waitForURL('**/form');
  await settled(page);
}

test('a collar is measured by a thread, gets its wool by a press, is weighed, worked and undone', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'form', { room: 'things' });
  await expect(docket(page)).toContainText('it is measured off the animal as it will be');
  await accessible(page);
  await page.getByRole('button', { name: 'Add a collar' }).click();
  await settled(page);
  await expect(docket(page)).toContainText(/A thread round the finished coat there is \d+ mm long/);
  // Its edges differ: the neck is no tube.
  const low = await mm(page, 'edge towards the first end');
  const high = await mm(page, 'edge towards the last end');
  expect(low).toBeGreaterThan(30);
  await field(page, 'Looser by').fill('10');
  await settled(page);
  expect((await mm(page, 'edge towards the first end')) - low).toBeCloseTo(10, 0);
  expect((await mm(page, 'edge towards the last end')) - high).toBeCloseTo(10, 0);
  // Out of range: said at the field, and nothing is taken.
  await field(page, 'Wide').fill('900');
  await expect(docket(page)).toContainText(/between 2(\.0)? (mm )?and 150/);
  await field(page, 'Wide').fill('6');
  await settled(page);
  await expect(docket(page)).toContainText('No wool is chosen for Collar');
  await docket(page).getByRole('button', { name: /^Use / }).first().click();
  await settled(page);
  await expect(docket(page)).not.toContainText('No wool is chosen for Collar');
  await expect(page.getByRole('img', { name: 'Pieces Collar is cut from: band' })).toBeVisible();
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(things(page).getByRole('button', { name: /Collar/ })).toBeVisible();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Order/ }).click();
  await settled(page);
  await expect(page.getByText(/Close Collar round the neck/).first()).toBeVisible();
});

test('a bird begins on the table, is set on a twig, rolls, and stands on a base', async ({ desk: page }) => {
  await begin(page, 'Perching bird');
  await room(page, 'Small things');
  await page.getByRole('button', { name: 'Add a twig' }).click();
  await settled(page);
  await expect(field(page, 'To its left')).toBeVisible();
  await page.getByLabel('its feet stand on it').press('Space');
  await settled(page);
  await expect(field(page, 'To its left')).toHaveCount(0);
  await expect(docket(page)).toContainText('Twig rolls: nothing holds it up');
  await docket(page)
    .getByRole('button', { name: /Set it on a base/ })
    .click();
  await settled(page);
  await expect(docket(page)).not.toContainText('rolls');
  await room(page, 'Stands');
  await expect(docket(page)).toContainText('On Base it stands');
  expect(await mm(page, 'inside the edge of Base by')).toBeGreaterThan(5);
  await expect(
    page.getByRole('img', { name: /it stands on Base; the middle of the weight lies inside it/ }),
  ).toBeVisible();
  await accessible(page);
  await room(page, 'Small things');
  await things(page).getByRole('button', { name: /Base/ }).click();
  await field(page, 'Long').fill('12');
  await settled(page);
  await expect(docket(page)).toContainText(/Base is too small: what stands on it reaches|Base is small/);
  await docket(page)
    .getByRole('button', { name: /^Make it / })
    .first()
    .click();
  await settled(page);
  await expect(docket(page)).not.toContainText(/too small|is small/);
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await settled(page);
  await expect(docket(page)).not.toContainText(/too small|is small/);
});

test('a relief gets its ground in two wools, a bank, a frame, and says how deep it is', async ({ desk: page }) => {
  await begin(page, 'Relief picture');
  await room(page, 'Areas');
  await page.getByRole('button', { name: 'Lay the ground' }).click();
  await settled(page);
  await expect(docket(page)).toContainText('Ground covers');
  await expect(page.getByRole('button', { name: 'Lay the ground' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Split' }).click();
  await page.getByRole('menuitem', { name: 'Its upper part from its lower' }).press('Enter');
  await settled(page);
  await expect(page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: /Ground 2/ })).toBeVisible();
  await field(page, 'From, upward').first().fill('0.4');
  await settled(page);
  await room(page, 'Stands');
  const before = await mm(page, 'deep with board and frame');
  await room(page, 'Shape');
  await page.getByRole('list', { name: 'Parts' }).getByRole('button', { name: /Board/ }).click();
  await page.getByRole('button', { name: 'Raise or sink a place' }).click();
  await settled(page);
  await field(page, 'Raised by, less than 0 sunk').fill('-3');
  await settled(page);
  await room(page, 'Small things');
  await page.getByRole('button', { name: 'Add a frame' }).click();
  await settled(page);
  await page.getByLabel('with glass').press('Space');
  await field(page, 'Deep').fill('12');
  await settled(page);
  await expect(docket(page)).toContainText(/glass cannot lie over it|Glass would lie/);
  await docket(page)
    .getByRole('button', { name: /^Make it / })
    .click();
  await settled(page);
  await expect(docket(page)).not.toContainText(/glass cannot lie over it|Glass would lie/);
  await room(page, 'Stands');
  expect(await mm(page, 'deep with board and frame')).toBeGreaterThan(before);
  await expect(page.getByRole('img', { name: 'The relief seen from above, its board below' })).toBeVisible();
  await accessible(page);
});
