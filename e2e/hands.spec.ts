import { readFileSync } from 'node:fs';
import { accessible, expect, openDemo, settled, test } from './desk';

test('several makers: another hand with its own rates, changed back, saved to a file and read; a foreign file changes nothing', async ({
  desk: page,
}) => {
  await openDemo(page, 'Kingfisher', 'log');
  await page.goto('/settings');
  await settled(page);
  const whose = page.getByRole('region', { name: 'Whose hand' });
  const name = whose.getByLabel('Name of the hand');
  const root = page.getByRole('textbox', { name: 'Taken by fold and needling' });
  await name.fill('First maker');
  await root.fill('4');
  await root.blur();
  await whose.getByRole('button', { name: 'Another maker' }).click();
  await whose.getByLabel('Name of the other maker').fill('Second maker');
  await whose.getByRole('button', { name: 'Begin with first values' }).click();
  await expect(name).toHaveValue('Second maker');
  await expect(root).toHaveValue('3');
  await accessible(page);
  const download = page.waitForEvent('download');
  await whose.getByRole('button', { name: 'Save this hand to a file' }).click();
  const file = await (await download).path();
  expect((JSON.parse(readFileSync(file, 'utf8')) as { name: string }).name).toBe('Second maker');
  await whose.getByRole('combobox').click();
  await page.getByRole('option', { name: 'First maker' }).click();
  await expect(name).toHaveValue('First maker');
  await expect(root).toHaveValue('4');
  await page.reload();
  await expect(name).toHaveValue('First maker');
  await page
    .getByLabel('Hand file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"kind":"x"}') });
  await expect(page.getByText(/The hand was not taken: .*This is not a hand file/)).toBeVisible();
  await expect(name).toHaveValue('First maker');
  await page.getByLabel('Hand file').setInputFiles(file);
  await expect(name).toHaveValue('Second maker');
  await page.keyboard.press('Control+z');
  await expect(name).toHaveValue('First maker');
});
