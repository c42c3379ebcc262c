/** A piece with its photographs as one zip: read back equal, by others too; what is damaged, foreign or far too large is refused in words. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { alpacaCria, pineMarten } from '../../demo/load';
import { seeded } from '@/core/random';
import { isZip, LARGEST, packed, unpacked } from './bundle';

const text = (piece: unknown) => `${JSON.stringify(piece, null, 2)}\n`;
/** Bytes that begin like a picture of this kind. */
const jpg = (...rest: number[]) => Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, ...rest]);
const png = (...rest: number[]) => Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, ...rest]);
const webp = Uint8Array.from([...strToU8('RIFF0000WEBPVP8 ')]);

const ours = () =>
  packed(
    text(pineMarten),
    new Map([
      ['left', png(1, 2, 3)],
      ['e-0011', jpg(9, 8, 7)],
      ['e-0012', webp],
      ['words', strToU8('no picture')],
    ]),
  );

const says = (bytes: Uint8Array): string => {
  const r = unpacked('mine.zip', bytes);
  expect(r.ok).toBe(false);
  return JSON.stringify(r);
};

describe('a piece with its photographs', () => {
  it('is read back as it was, every picture as what it is', async () => {
    const bytes = ours();
    expect(isZip(bytes)).toBe(true);
    expect(isZip(strToU8(text(pineMarten)))).toBe(false);
    const r = unpacked('mine.zip', bytes);
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    expect(r.json).toBe(text(pineMarten));
    expect([...r.pictures.keys()].sort()).toEqual(['e-0011', 'e-0012', 'left']);
    expect(new Uint8Array(await r.pictures.get('left')!.arrayBuffer())).toEqual(png(1, 2, 3));
    expect(['left', 'e-0011', 'e-0012'].map((n) => r.pictures.get(n)!.type)).toEqual([
      'image/png',
      'image/jpeg',
      'image/webp',
    ]);
  });

  it('is the same file every time, whatever the order pictures come in', () => {
    const a = new Map([
      ['b', jpg(1)],
      ['a', jpg(2)],
    ]);
    expect(packed('{}', a)).toEqual(packed('{}', new Map([...a].reverse())));
  });

  // Info-ZIP's program from Debian reads the same as we do.
  it('is a zip for other programs', () => {
    const folder = mkdtempSync(join(tmpdir(), 'bundle-'));
    try {
      const file = join(folder, 'mine.zip');
      writeFileSync(file, ours());
      expect(execFileSync('unzip', ['-t', file]).toString()).toContain('No errors detected');
      execFileSync('unzip', ['-q', file, '-d', folder]);
      expect(readFileSync(join(folder, 'piece.json'), 'utf8')).toBe(text(pineMarten));
      expect(new Uint8Array(readFileSync(join(folder, 'photographs/e-0011.jpg')))).toEqual(jpg(9, 8, 7));
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('may hold more than is ours: it is left where it is', () => {
    const r = unpacked(
      'a.zip',
      zipSync({ 'piece.json': strToU8('{}'), 'notes.txt': strToU8('mine'), '../up.jpg': jpg() }),
    );
    expect(r.ok && r.pictures.size).toBe(0);
  });
});

describe('what is refused', () => {
  it('is another zip, a picture that is none, a file cut off', () => {
    expect(says(zipSync({ 'letter.txt': strToU8('Dear') }))).toContain('no piece.json in it');
    expect(says(zipSync({ 'piece.json': strToU8('{}'), 'photographs/a.jpg': strToU8('<script>') }))).toContain(
      'photographs/a.jpg',
    );
    expect(says(ours().slice(0, 900))).toContain('damaged');
  });

  it('is too much once unpacked, before it is unpacked', () => {
    const nothing = new Uint8Array(LARGEST.json + 1);
    const bomb = zipSync({ 'piece.json': nothing });
    expect(bomb.length).toBeLessThan(100_000);
    expect(says(bomb)).toContain('at most 20 MB for the piece');
    const many = Object.fromEntries(
      Array.from({ length: LARGEST.files + 1 }, (_, i) => [`photographs/p${i}.jpg`, jpg()] as const),
    );
    expect(says(zipSync({ 'piece.json': strToU8('{}'), ...many }, { level: 0 }))).toContain('in all');
  });

  it('is one that says it is smaller than it is', () => {
    const bytes = zipSync({ 'piece.json': new Uint8Array(8 * 1024 * 1024) });
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    // What it comes to stands in its own head and in the list at the end (APPNOTE 6.3.10, 4.3.7 and 4.3.12).
    const list = view.getUint32(bytes.length - 6, true);
    for (const at of [22, list + 24]) view.setUint32(at, 100, true);
    const r = unpacked('a.zip', bytes);
    // Either not at all, or no more than it said.
    if (r.ok) expect(r.json.length).toBeLessThanOrEqual(100);
    else expect(r.problems[0]!.says).toContain('damaged');
  });

  it('never throws, whatever bytes are changed', () => {
    const sound = packed(text(alpacaCria), new Map([['left', jpg(1, 2, 3, 4, 5)]]));
    const random = seeded(20);
    let refusedOnes = 0;
    for (let i = 0; i < 300; i++) {
      const bytes = sound.slice();
      for (let k = 0; k < 3; k++) {
        // Half of them among the names and sizes at the end.
        const from = k % 2 === 0 ? Math.max(0, bytes.length - 200) : 0;
        bytes[from + Math.floor(random() * (bytes.length - from))] = Math.floor(random() * 256);
      }
      const r = unpacked('a.zip', bytes);
      if (!r.ok) refusedOnes++;
      if (!r.ok) expect(r.problems[0]!.says.length).toBeGreaterThan(10);
    }
    expect(refusedOnes).toBeGreaterThan(60);
  });
});
