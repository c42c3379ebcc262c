/** Pictures a maker brings in: whether one can be used and kept, and its shape. */
import { savePicture } from '@/desk/storage';
import { say } from '@/desk/store';

const LARGEST_PICTURE = 40 * 1024 * 1024;

/** Width over height of a picture. @throws when the browser cannot read it */
async function aspectOf(file: Blob): Promise<number> {
  const url = URL.createObjectURL(file);
  try {
    const img = new Image();
    img.src = url;
    await img.decode();
    if (img.naturalWidth < 2 || img.naturalHeight < 2) throw new Error('empty');
    return img.naturalWidth / img.naturalHeight;
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Looks at a picture; what cannot be used is said. @returns width over height, or null */
export async function shapeOfPicture(file: File): Promise<number | null> {
  if (file.size > LARGEST_PICTURE) {
    say(`${file.name} is larger than 40 MB; a smaller copy is enough to compare with.`);
    return null;
  }
  try {
    const aspect = await aspectOf(file);
    if (aspect >= 0.05 && aspect <= 20) return aspect;
    say(`${file.name} is too narrow a strip to compare with.`);
  } catch {
    say(`${file.name} is not a picture this browser can show. Photographs as JPEG, PNG or WebP can be used.`);
  }
  return null;
}

/** Keeps a picture in this browser; what goes wrong is said. @returns whether it is kept */
export async function keepPicture(pieceId: string, id: string, file: File): Promise<boolean> {
  try {
    await savePicture(pieceId, id, file);
    return true;
  } catch (e) {
    say(`The picture could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}`);
    return false;
  }
}

/** So large a picture shows every lock, px along its longer side. */
const LONGEST = 1600;

/** A picture no larger than is looked at, as paper takes it too; one that is so already stays as it is. */
export async function smaller(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file);
  const by = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  if (by === 1 && /^image\/(jpeg|png)$/.test(file.type)) {
    bitmap.close();
    return file;
  }
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * by);
  canvas.height = Math.round(bitmap.height * by);
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((done) => canvas.toBlob((b) => done(b ?? file), 'image/jpeg', 0.86));
}
