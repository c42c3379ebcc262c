/** Needles in a real browser: the rack and its measures, schools, the plan for every step, looking inside, the finish, breakages. */
import type { Page } from '@playwright/test';
import { accessible, choose, docket, expect, openDemo, saved, settled, test } from './desk';

const room = (page: Page, name: string | RegExp) =>
  page.getByRole('navigation', { name: 'Rooms of the needles' }).getByRole('button', { name }).click();

test('the rack: measures change the plan, a needle is added and taken out, holders, undo', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'needles');
  const rack = page.getByRole('list', { name: 'Needles', exact: true });
  await expect(rack.getByRole('button')).toHaveCount(5);
  await expect(page.getByRole('list', { name: 'Reverse needles' }).getByRole('button')).toHaveCount(1);
  const crown = rack.getByRole('button', { name: /46 crown/ });
  await expect(crown).toContainText('steps');
  await crown.click();
  const fields = page.getByRole('group', { name: 'Measures of the needle' });
  const tip = fields.getByRole('textbox', { name: 'Point to barb' });
  await expect(tip).toHaveValue('3');
  await tip.fill('40');
  await expect(page.getByText('Point to barb must be between 0.5 mm and 15 mm')).toBeVisible();
  // A crown whose barbs sit far back no longer roots in this small animal.
  await tip.fill('14');
  await tip.blur();
  await expect(crown).toContainText('not used here');
  await fields.getByRole('button', { name: 'Usual measures' }).click();
  await expect(tip).toHaveValue('3');
  await expect(crown).toContainText('steps');
  await page.getByRole('button', { name: 'Add a needle' }).click();
  await expect(rack.getByRole('button')).toHaveCount(6);
  await page.getByRole('button', { name: 'Take out of the rack' }).click();
  await expect(rack.getByRole('button')).toHaveCount(5);
  await page.getByRole('group', { name: 'Holders' }).getByRole('button', { name: 'Add a holder' }).click();
  await expect(page.getByRole('group', { name: 'Holder 2' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('group', { name: 'Holder 2' })).toBeHidden();
  await accessible(page);
});

test('one fine needle or coarse to fine; a needle chosen by hand stays until it is left to the plan', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'needles');
  await room(page, /For every step/);
  const table = page.getByRole('region', { name: 'Needle for every step' });
  const changes = async () => Number(/(\d+) changes? of needle/.exec(await table.innerText())![1]);
  await expect(table).toContainText('changes of needle');
  const before = await changes();
  await room(page, 'Rack');
  await page.getByRole('group', { name: 'School of needles' }).getByRole('button', { name: 'One fine needle' }).click();
  await room(page, /For every step/);
  await expect.poll(changes).toBeLessThan(before);
  await page.keyboard.press('Control+z');
  await expect.poll(changes).toBe(before);
  await table.getByRole('button', { name: /Lay .* on Flanks/ }).click();
  await expect(docket(page)).toContainText('46 crown');
  await expect(docket(page)).toContainText('No deeper than');
  await page.getByRole('combobox', { name: 'Needle' }).click();
  await choose(page.getByRole('option', { name: '40 triangle' }));
  await expect(docket(page)).toContainText('chosen by you');
  await page.getByRole('combobox', { name: 'Needle' }).click();
  await choose(page.getByRole('option', { name: 'by the plan' }));
  await expect(docket(page)).toContainText('46 crown');
  await docket(page).getByRole('button', { name: /min$/ }).first().click();
  await expect(page.getByRole('dialog')).toContainText('Time at the needle');
  await page.keyboard.press('Escape');
  await accessible(page);
});

test('looking inside: a place pressed on the animal, the section, deeper hits the wire; on the face chart too', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'needles');
  await room(page, 'Look inside');
  const animal = page.getByRole('img', { name: /Pine marten seen from/ });
  const box = (await animal.boundingBox())!;
  await settled(page);
  await page.mouse.click(box.x + box.width * 0.52, box.y + box.height * 0.45);
  await expect(page.getByRole('group', { name: 'Section along the needle, to scale' })).toBeVisible();
  await expect(docket(page)).toContainText(/of felt straight through/);
  const stroke = docket(page).getByRole('textbox', { name: 'Stroke' });
  await stroke.fill('24');
  await expect(docket(page).getByRole('alert').first()).toContainText(/wire|other side/);
  await stroke.fill('1');
  await expect(docket(page)).toContainText('No barb gets into the ground');
  await page.getByRole('button', { name: 'As planned' }).click();
  const point = page.getByRole('button', { name: /^Point of the needle/ });
  const was = await point.getAttribute('aria-label');
  await point.focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(() => point.getAttribute('aria-label')).not.toBe(was);
  await docket(page).getByRole('group', { name: 'Pick on' }).getByRole('button', { name: 'Face chart' }).click();
  const at = (await page.locator('[data-pick=front]').boundingBox())!;
  await page.mouse.click(at.x + at.width / 2, at.y + at.height / 2);
  await expect(docket(page)).toContainText(/head|muzzle/i);
  await accessible(page);
});

test('the finish of short fur: marks by needle, passes that close them, fluff where it is wanted', async ({
  desk: page,
}) => {
  await openDemo(page, 'Brown hare in relief', 'needles');
  await room(page, 'Finish');
  const areas = page.getByRole('list', { name: 'Areas and their finish' });
  await areas.getByRole('button', { name: /^Head/ }).click();
  await expect(docket(page)).toContainText('less felting is fluffier');
  await areas.getByRole('button', { name: /^Belly/ }).click();
  await expect(docket(page)).toContainText(/open marks/);
  await expect(page.getByRole('table', { name: 'Passes that close the marks' })).toContainText('40 triangle');
  await expect(page.getByText('Fine places')).toBeVisible();
  await accessible(page);
});

test('needles are counted before and after, a breakage is written down and one is missing from the rack', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'needles');
  const counting = page.getByRole('group', { name: 'Counting needles' });
  await counting.getByRole('button', { name: 'Counted, sitting begins' }).click();
  await expect(counting.getByRole('heading', { name: 'Count as you stop' })).toBeVisible();
  const broken = page.getByRole('group', { name: 'Broken needles' });
  await broken.getByRole('combobox', { name: 'Which' }).click();
  await choose(page.getByRole('option', { name: '46 crown' }));
  await broken.getByRole('checkbox', { name: 'its point is found' }).uncheck();
  await expect(broken).toContainText('Find it before you go on');
  await broken.getByRole('button', { name: /Write the breakage down/ }).click();
  await expect(page.getByRole('table', { name: 'Broken needles so far' })).toContainText('not found');
  const crown = page.getByRole('list', { name: 'Needles', exact: true }).getByRole('button', { name: /46 crown/ });
  await expect(crown).toContainText('2');
  const left = counting.getByRole('textbox', { name: '46 crown' });
  await left.fill('1');
  await expect(counting.getByRole('alert')).toContainText('Missing: 1 × 46 crown');
  await left.fill('2');
  await expect(counting.getByRole('alert')).toBeHidden();
  await counting.getByRole('button', { name: 'Counted, sitting ends' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('table', { name: 'Broken needles so far' })).toContainText('46 crown');
  // One that does not come back stays missing in the next sitting, until the search for it is written down.
  await counting.getByRole('button', { name: 'Counted, sitting begins' }).click();
  await left.fill('1');
  await counting.getByRole('button', { name: 'Counted, sitting ends' }).click();
  await counting.getByRole('button', { name: 'Counted, sitting begins' }).click();
  await expect(page.getByText('A needle is missing: 46 crown.')).toBeVisible();
  await expect(counting.getByRole('alert')).toContainText('Missing: 1 × 46 crown');
  await counting.getByRole('button', { name: 'Searched, 46 crown not found' }).click();
  await expect(page.getByText('A needle is missing: 46 crown.')).toBeHidden();
  await expect(crown).toContainText('1');
});
