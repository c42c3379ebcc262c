/** Pixels of a picture file, made small enough to work with. In the browser only. */
import type { Picture } from '@/core/colour/picture';

/** Longest side the pixels are read at; more is not seen on a screen. */
const MOST = 1400;

export interface Loaded {
  readonly url: string;
  readonly picture: Picture;
}

/** @throws in words when the browser cannot read it */
export async function loadPixels(file: Blob): Promise<Loaded> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error('This is not a picture this browser can show. Photographs as JPEG, PNG or WebP can be used.');
  }
  const k = Math.min(1, MOST / Math.max(bitmap.width, bitmap.height));
  const width = Math.max(1, Math.round(bitmap.width * k));
  const height = Math.max(1, Math.round(bitmap.height * k));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const g = canvas.getContext('2d', { willReadFrequently: true });
  if (!g) throw new Error('This browser cannot read the colours of a picture.');
  g.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return {
    url: URL.createObjectURL(file),
    picture: { width, height, pixels: g.getImageData(0, 0, width, height).data },
  };
}
