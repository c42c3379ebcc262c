/**
 * Unpacks a WOFF 1.0 font into the plain SFNT it holds (W3C Recommendation "WOFF File Format 1.0", 2012). The PDF writer
 * reads both, but unpacks a WOFF table again at every use; a plain font is read many times faster.
 */
import { inflateSync } from 'node:zlib';

const WOFF = 0x774f4646;

/** @throws when the file is not a WOFF 1.0 font or a table does not unpack to its stated length */
export function unpackWoff(woff: Buffer): Buffer {
  if (woff.length < 44 || woff.readUInt32BE(0) !== WOFF) throw new Error('not a WOFF 1.0 font');
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + 20 * i;
    const offset = woff.readUInt32BE(at + 4);
    const packed = woff.readUInt32BE(at + 8);
    const length = woff.readUInt32BE(at + 12);
    const raw = woff.subarray(offset, offset + packed);
    const data = packed < length ? inflateSync(raw) : raw;
    if (data.length !== length) throw new Error('a table of the font is damaged');
    return { tag: woff.readUInt32BE(at), sum: woff.readUInt32BE(at + 16), data };
  });
  const pad = (n: number) => (n + 3) & ~3;
  const out = Buffer.alloc(12 + 16 * count + tables.reduce((s, t) => s + pad(t.data.length), 0));
  const power = 2 ** Math.floor(Math.log2(count));
  out.writeUInt32BE(woff.readUInt32BE(4), 0);
  out.writeUInt16BE(count, 4);
  out.writeUInt16BE(power * 16, 6);
  out.writeUInt16BE(Math.log2(power), 8);
  out.writeUInt16BE(count * 16 - power * 16, 10);
  let at = 12 + 16 * count;
  tables.forEach((t, i) => {
    out.writeUInt32BE(t.tag, 12 + 16 * i);
    out.writeUInt32BE(t.sum, 16 + 16 * i);
    out.writeUInt32BE(at, 20 + 16 * i);
    out.writeUInt32BE(t.data.length, 24 + 16 * i);
    t.data.copy(out, at);
    at += pad(t.data.length);
  });
  return out;
}
