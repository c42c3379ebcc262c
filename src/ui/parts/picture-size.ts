/** Pictures a maker brings in: how large a file may be, and the shape of the picture. */

export const LARGEST_PICTURE = 40 * 1024 * 1024;

/** Width over height of a picture. @throws when the browser cannot read it */
export async function aspectOf(file: Blob): Promise<number> {
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
