/**
 * Unpacks a WOFF 1.0 font into the plain SFNT it holds (W3C Recommendation "WOFF File Format 1.0", 2012). The PDF writer
 * reads both, but unpacks a WOFF table again at every use; a plain font is read many times faster.
 */
import { unzlibSync } from 'fflate';

const WOFF = 0x774f4646;

/** @throws when the file is not a WOFF 1.0 font or a table does not unpack to its stated length */
export function unpackWoff(woff: Uint8Array): Uint8Array {
  const head = new DataView(woff.buffer, woff.byteOffset, woff.byteLength);
  if (woff.length < 44 || head.getUint32(0) !== WOFF) throw new Error('not a WOFF 1.0 font');
  const count = head.getUint16(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + 20 * i;
    const offset = head.getUint32(at + 4);
    const packed = head.getUint32(at + 8);
    const length = head.getUint32(at + 12);
    const raw = woff.subarray(offset, offset + packed);
    const data = packed < length ? unzlibSync(raw) : raw;
    if (data.length !== length) throw new Error('a table of the font is damaged');
    return { tag: head.getUint32(at), sum: head.getUint32(at + 16), data };
  });
  const pad = (n: number) => (n + 3) & ~3;
  const plain = new Uint8Array(12 + 16 * count + tables.reduce((s, t) => s + pad(t.data.length), 0));
  const out = new DataView(plain.buffer);
  const power = 2 ** Math.floor(Math.log2(count));
  out.setUint32(0, head.getUint32(4));
  out.setUint16(4, count);
  out.setUint16(6, power * 16);
  out.setUint16(8, Math.log2(power));
  out.setUint16(10, count * 16 - power * 16);
  let at = 12 + 16 * count;
  tables.forEach((t, i) => {
    out.setUint32(12 + 16 * i, t.tag);
    out.setUint32(16 + 16 * i, t.sum);
    out.setUint32(20 + 16 * i, at);
    out.setUint32(24 + 16 * i, t.data.length);
    plain.set(t.data, at);
    at += pad(t.data.length);
  });
  return plain;
}
