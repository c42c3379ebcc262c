/**
 * What a scan kept in a piece holds, as text (base64): places as Float32, x y z, and triangles as Uint32, three corners each. It
 * is looked through whenever a piece is read, so that nothing that is planned later meets a place that is none.
 */

/** As many triangles as a scan that was made sound can have, and some room. */
const MOST_TRIANGLES = 120_000;
/** Further from the middle than this, thousandths of the length, no animal reaches. */
const FARTHEST = 5000;

export interface ScanContent {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
}

export function toText(bytes: Uint8Array): string {
  let out = '';
  for (let i = 0; i < bytes.length; i += 0x8000) out += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(out);
}

function bytesOf(text: string): Uint8Array<ArrayBuffer> | null {
  try {
    return Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
  } catch (e) {
    // What cannot be decoded has been cut or changed.
    if (e instanceof DOMException || e instanceof Error) return null;
    throw e;
  }
}

interface Texts {
  readonly positions: string;
  readonly triangles: string;
}

/** The scan looked through last: a piece is read anew with every change, its scan stays the same. */
let last: { readonly texts: Texts; readonly found: ScanContent | string } | null = null;

/** @returns what the scan holds, or what is wrong with it in words */
export function scanContent({ positions, triangles }: Texts): ScanContent | string {
  if (last && last.texts.positions === positions && last.texts.triangles === triangles) return last.found;
  const found = lookThrough({ positions, triangles });
  last = { texts: { positions, triangles }, found };
  return found;
}

function lookThrough(texts: Texts): ScanContent | string {
  const [p, t] = [bytesOf(texts.positions), bytesOf(texts.triangles)];
  if (!p || !t) return 'The scan is damaged: it cannot be decoded';
  // Three numbers of four bytes each.
  if (p.length % 12 !== 0 || t.length % 12 !== 0) return 'The scan is damaged: it has been cut short';
  const positions = new Float32Array(p.buffer);
  const triangles = new Uint32Array(t.buffer);
  if (positions.length < 12 || triangles.length < 12) return 'The scan holds no body: it needs four triangles or more';
  if (triangles.length / 3 > MOST_TRIANGLES) {
    return `The scan must not have more than ${MOST_TRIANGLES} triangles, it has ${triangles.length / 3}`;
  }
  if (!positions.every((x) => Math.abs(x) <= FARTHEST))
    return 'The scan is damaged: places lie outside of it or nowhere';
  const n = positions.length / 3;
  if (!triangles.every((v) => v < n)) return 'The scan is damaged: triangles reach for places it does not have';
  return { positions, triangles };
}
