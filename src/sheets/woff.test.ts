import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { unpackWoff } from './woff';

const file =
  'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff';

describe('unpacking a font', () => {
  // OpenType specification, "Calculating checksums": sum of big-endian 32-bit words, the head table without its adjustment.
  it('gives tables whose checksums are those the font states', () => {
    const font = Buffer.from(unpackWoff(readFileSync(file)));
    const count = font.readUInt16BE(4);
    expect(count).toBeGreaterThan(8);
    for (let i = 0; i < count; i++) {
      const at = 12 + 16 * i;
      const tag = font.toString('latin1', at, at + 4);
      const offset = font.readUInt32BE(at + 8);
      const words = Math.ceil(font.readUInt32BE(at + 12) / 4);
      let sum = 0;
      for (let w = 0; w < words; w++) {
        if (tag === 'head' && w === 2) continue;
        sum = (sum + font.readUInt32BE(offset + 4 * w)) >>> 0;
      }
      expect(sum, tag).toBe(font.readUInt32BE(at + 4));
    }
  });

  it('refuses what is not one', () => {
    expect(() => unpackWoff(Buffer.from('wOF2 and something more, long enough to hold a header of 44 bytes'))).toThrow(
      /WOFF/,
    );
    const damaged = Buffer.from(readFileSync(file));
    damaged.writeUInt32BE(damaged.readUInt32BE(56) + 4, 56);
    expect(() => unpackWoff(damaged)).toThrow();
  });
});
