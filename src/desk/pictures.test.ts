/** Pictures of a piece go with a copy of it, and stay with the piece; those of other pieces are left alone. */
import { afterAll, beforeAll, expect, it } from 'vitest';
import { withStore } from '../../cli/steadiness/windows';

let away: () => void;
beforeAll(() => void (away = withStore()));
afterAll(() => away());

it('a copy has them under the same names, also where one name begins like another', async () => {
  const { copyPictures, loadPicture, savePicture } = await import('./storage');
  // The stand-in for the store keeps plain data; what is kept does not matter here.
  const picture = (words: string) => ({ words }) as unknown as Blob;
  await savePicture('marten', 'left', picture('a'));
  await savePicture('marten', 'e-1', picture('b'));
  await savePicture('marten-2', 'left', picture('c'));
  await copyPictures('marten', 'copy');
  expect(await loadPicture('copy', 'left')).toEqual({ words: 'a' });
  expect(await loadPicture('copy', 'e-1')).toEqual({ words: 'b' });
  expect(await loadPicture('marten', 'left')).toEqual({ words: 'a' });
  expect(await loadPicture('marten-2', 'left')).toEqual({ words: 'c' });
  expect(await loadPicture('copy', 'right')).toBeNull();
  await copyPictures('nobody', 'other');
  expect(await loadPicture('other', 'left')).toBeNull();
});
