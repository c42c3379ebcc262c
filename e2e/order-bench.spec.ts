import { accessible, chooseArea, docket, expect, openDemo, test } from './desk';

test.use({ shape: 'fine' });

test('the order: steps by sitting with needle, wool and time, what must come before and what waits', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'order');
  const list = page.getByRole('region', { name: 'Steps by sitting' });
  // Photographs, wire, seven parts of the core, their joining, the flat ears, nine areas cut and laid, the muzzle laid and
  // raised, 22 steps of colour, 13 of the face, trimming of nine areas, fluffing and the scissors.
  await expect(list).toContainText(/74 steps/);
  await expect(list.getByRole('heading', { name: /^Sitting 1[A-Z]/ })).toBeVisible();
  await expect(list).toContainText('Take out:');
  const lay = list.getByRole('button', { name: /Lay \d+ rows .* on Back/ }).first();
  await expect(lay).toContainText('46 crown');
  await lay.click();
  await expect(docket(page)).toContainText('3 passes along the line');
  await expect(docket(page)).toContainText('barbs sit level near the point');
  const before = page.getByRole('region', { name: 'Must be done before this' });
  await expect(before).toContainText('The fur of Back hangs over Tail.');
  await expect(page.getByRole('region', { name: 'Waits for this' })).toContainText('The coat lies first');
  const texts = await list.getByRole('listitem').allInnerTexts();
  const at = (words: RegExp) => texts.findIndex((t) => words.test(t));
  expect(at(/Lay .* on Tail/)).toBeLessThan(at(/Lay .* on Back/));
  await expect(page.getByRole('heading', { name: 'Wool from the cupboard' })).toBeVisible();
  await accessible(page);
});

test('the bench: rows by Space and Backspace, the timer, grams used, planned against actual', async ({
  desk: page,
}) => {
  await openDemo(page);
  await chooseArea(page, 'Belly');
  await page.keyboard.press('7');
  await expect(docket(page)).toContainText('Row 1');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Row done' })).toBeVisible();
  await expect.poll(() => page.getByRole('timer').innerText()).toMatch(/0:0[2-9]/);
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Start timer' })).toBeVisible();
  await page.keyboard.press('t');
  await page.keyboard.press('Space');
  await expect(docket(page)).toContainText('Row 2');
  await page.keyboard.press('Space');
  await expect(docket(page)).toContainText('Row 3');
  await page.keyboard.press('Backspace');
  await expect(docket(page)).toContainText('Row 2');
  const all = /of (\d+)/.exec(await docket(page).innerText())![1]!;
  await expect(docket(page)).toContainText(`1 of ${all} rows`);
  await accessible(page);
  const used = docket(page).getByLabel('Wool used');
  await used.fill('a bit');
  await page.getByRole('button', { name: 'Write down' }).click();
  await expect(page.getByText('Write a number in g, such as 12.5')).toBeVisible();
  await used.fill('0.4');
  await page.getByRole('button', { name: 'Write down' }).click();
  await expect(docket(page).getByText('0.4 g')).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('n');
  await page.getByLabel('Note').fill('Damp day, wool sticks');
  await page.getByRole('button', { name: 'Write down' }).last().click();
  await page.reload();
  await expect(docket(page)).toContainText(`1 of ${all} rows`);
  await page.keyboard.press('8');
  const table = page.getByRole('table').first();
  await expect(table).toContainText('Belly');
  await expect(table).toContainText(`1 of ${all}`);
  await expect(table).toContainText('0.4 g');
  await expect(page.getByText('Damp day, wool sticks')).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Control+z');
});
