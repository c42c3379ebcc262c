/** The picture of the finished animal: asked for at the turntable, worked out beside everything else, stopped, seen and saved. */
import { readFileSync } from 'node:fs';
import { accessible, expect, openDemo, settled, test } from './desk';

test('a picture is worked out with how far it is, stopped at once, made, and saved as PNG', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'coat');
  await page.getByRole('button', { name: 'Picture', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Picture of the finished animal' });
  await expect(dialog).toContainText('Every fibre is drawn as the plan lays it');
  await accessible(page);
  await dialog.getByRole('button', { name: 'Work it out' }).click();
  await expect(dialog.getByRole('progressbar', { name: 'Working the picture out' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByRole('button', { name: 'Work it out' })).toBeVisible();
  await expect(dialog.getByRole('img')).toBeHidden();
  await dialog.getByRole('combobox', { name: 'Seen from' }).click();
  await page.getByRole('option', { name: 'the face, near' }).click();
  await dialog.getByRole('button', { name: 'Work it out' }).click();
  // The plan answers meanwhile: a picture is nobody's business but its own worker's.
  await expect(dialog.getByRole('progressbar')).toBeVisible();
  await expect(dialog.getByRole('img', { name: 'Pine marten from the face, near, bright window' })).toBeVisible();
  await accessible(page);
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save as PNG' }).click();
  expect((await download).suggestedFilename()).toBe('pine-marten-face.png');
  const png = readFileSync(await (await download).path());
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1200, 900]);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await settled(page);
  await expect(dialog).toBeHidden();
});
