/** A scan brought with a new piece, until the room that looks through scans takes it. In this window only. */
let scan: File | null = null;

export const bringScan = (file: File | null): void => void (scan = file);

/** Handed over once. */
export function takeBroughtScan(): File | null {
  const file = scan;
  scan = null;
  return file;
}
