import { readFileSync } from 'node:fs';
import { accessible, docket, expect, openDemo, saved, test, walkTo } from './desk';

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
  await page.getByLabel(/Finished length/).fill('9000');
  await expect(page.getByText('Finished length, nose to tail must be between 30 mm and 1500 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('Give the piece a name')).toBeVisible();
  await expect(page.getByLabel(/Finished length/)).toHaveValue('9000');
  await accessible(page);
  await page.getByLabel('Name of the piece').fill('Stoat, first try');
  await page.getByLabel(/Finished length/).fill('21 cm');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('210 mm nose to tail', { exact: true })).toBeVisible();
  await page.keyboard.press('2');
  await expect(docket(page).getByText('hem first')).toBeVisible();
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
