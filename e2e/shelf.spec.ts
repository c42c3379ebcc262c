import { readFileSync } from 'node:fs';
import { accessible, docket, expect, openDemo, saved, settled, test, walkTo } from './desk';

test('an empty browser shows the demo pieces; the marten opens in one press with a sensible docket', async ({
  desk: page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Demo pieces' })).toBeVisible();
  await accessible(page);
  await walkTo(page);
  await expect(docket(page)).toContainText(/Cut \d+(\.5)? mm lengths\. Lay \d+ rows \d+(\.5)? mm apart, hem first\./);
  await expect(docket(page)).toContainText('base hidden');
  // On by hand from stage to stage.
  await expect(page.getByRole('list', { name: 'Areas' })).toBeVisible();
  const stage = (name: RegExp) => page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name }).click();
  await stage(/Shade/);
  await expect(docket(page).getByText('Seen as')).toBeVisible();
  await stage(/Face/);
  await expect(docket(page).getByText(/across,/)).toBeVisible();
});

test('a new piece from a body plan and a size; wrong entries are named and kept', async ({ desk: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  await page.getByLabel(/^Finished/).fill('9000');
  await expect(page.getByText('Finished length, nose to tail must be between 30 mm and 1500 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('Give the piece a name')).toBeVisible();
  await expect(page.getByLabel(/^Finished/)).toHaveValue('9000');
  await accessible(page);
  await page.getByLabel('Name of the piece').fill('Stoat, first try');
  await page.getByLabel(/^Finished/).fill('21 cm');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('210 mm nose to tail', { exact: true })).toBeVisible();
  await page.keyboard.press('2');
  await expect(docket(page).getByText('hem first')).toBeVisible();
});

test('a first piece from an empty browser by keys alone: its wools are chosen, it ends on a docket', async ({
  desk: page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await page.keyboard.type('Stoat');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowRight');
  await expect(dialog.getByRole('radio', { checked: true })).toHaveText(/Sitting/);
  await page.keyboard.press('ArrowLeft');
  await expect(dialog.getByRole('radio', { checked: true })).toHaveText(/Standing/);
  const wools = dialog.getByRole('list', { name: 'Wools to begin with' });
  const before = await wools.innerText();
  await dialog.getByRole('textbox', { name: 'Mostly', exact: true }).fill('#b0622a');
  await expect(wools).not.toHaveText(before);
  await expect(wools).toContainText('at hand');
  await accessible(page);
  await page.keyboard.press('Enter');
  await page.waitForURL('**/form');
  await settled(page);
  await expect(docket(page).getByText(/of life/)).toBeVisible();
  // A hint for whoever is new, once.
  const hint = docket(page).getByRole('note');
  await hint.getByRole('button', { name: 'Got it' }).press('Enter');
  await expect(hint).toHaveCount(0);
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(docket(page).getByText(/of life/)).toBeVisible();
  await expect(hint).toHaveCount(0);
  // Nothing to be asked about the core: its wool is chosen.
  await page.getByRole('button', { name: /^Core/ }).click();
  await settled(page);
  await expect(docket(page).getByText('No wool is chosen for the core')).toHaveCount(0);
});

test('an empty cupboard is a fine start: what is missing is planned with and listed to buy', async ({ desk: page }) => {
  await page.goto('/cupboard');
  await settled(page);
  for (;;) {
    const take = page.getByRole('button', { name: 'Take out of the cupboard' });
    if ((await take.count()) === 0) break;
    await take.click();
  }
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'New piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await dialog.getByLabel('Name of the piece').fill('Plan first');
  await expect(dialog.getByText(/Plan first, buy after/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Begin' }).click();
  await page.waitForURL('**/form');
  await settled(page);
  await page.keyboard.press('6');
  await settled(page);
  const stock = page.getByRole('table', { name: 'Wool from the cupboard' });
  for (const wool of ['Top to buy, of the coat', 'Batt to buy, of the core'])
    await expect(stock.getByRole('row', { name: new RegExp(wool) })).toContainText(/\d g/);
});

test('copy, remove with undo', async ({ desk: page }) => {
  await openDemo(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Copy Pine marten' }).click();
  await expect(page.getByRole('heading', { name: 'Pine marten (copy)' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Pine marten (copy)' }).click();
  await expect(page.getByRole('heading', { name: 'Pine marten (copy)' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Pine marten (copy)' })).toBeVisible();
});

test('a piece saved to a file opens in another browser; damaged and foreign files change nothing', async ({
  desk: page,
  browser,
  baseURL,
}) => {
  await openDemo(page, 'Pine marten', 'form');
  await page.getByLabel('Name of the piece').fill('Marten for the window');
  await saved(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to file' }).click();
  const path = await (await download).path();
  const text = readFileSync(path, 'utf8');

  const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await other.goto('/');
  await expect(other.getByRole('heading', { name: 'Demo pieces' })).toBeVisible();
  const give = (name: string, body: string) =>
    other.getByLabel('Piece file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) });
  await give('damaged.json', text.slice(0, 700));
  await expect(other.getByText('damaged.json was not opened; nothing was changed.')).toBeVisible();
  await give('foreign.json', '{"some": "thing"}');
  await expect(other.getByText('This is not a piece file of Fond Badger.')).toBeVisible();
  const wrong = JSON.parse(text) as { areas: { coat: { spacingMm: number } }[] };
  wrong.areas[0]!.coat.spacingMm = 400;
  await give('wrong.json', JSON.stringify(wrong));
  await expect(other.getByText(/Row spacing must be between 0.5 and 60 mm/)).toBeVisible();
  await expect(other.getByRole('heading', { name: 'Your pieces' })).toBeHidden();
  await give('piece.json', text);
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('Marten for the window');
  await expect(docket(other).getByText('hem first')).toBeVisible();
  await other.context().close();
});
