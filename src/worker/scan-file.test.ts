import { describe, expect, it } from 'vitest';
import { makeField } from '@/core/geometry/field';
import { flatExtent, type Mesh } from '@/core/geometry/mesh';
import { polygonise } from '@/core/geometry/polygonise';
import { repair, ScanError, type Soup } from '@/core/geometry/repair';
import { likelyUnit } from '@/core/form/scan-limits';
import { readScan, scanKind } from './scan-file';

const ball: Mesh = polygonise(
  makeField([
    {
      solids: [{ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [20, 15, 30] }],
      innerBlend: 0,
      blend: 0,
      mirrored: false,
    },
  ]),
  1.2,
);
const bytesOf = (text: string) => new TextEncoder().encode(text);
const p = (v: number) => [0, 1, 2].map((k) => ball.positions[3 * v + k]!);
const faces = Array.from({ length: ball.triangles.length / 3 }, (_, t) =>
  [0, 1, 2].map((k) => ball.triangles[3 * t + k]!),
);

// The four formats as their descriptions have them, written here without any of the readers.
const obj = bytesOf(
  `# a ball\no ball\n${Array.from({ length: ball.positions.length / 3 }, (_, v) => `v ${p(v).join(' ')}`).join('\n')}\n${faces.map((f) => `f ${f.map((v) => v + 1).join(' ')}`).join('\n')}\n`,
);
const ply = bytesOf(
  `ply\nformat ascii 1.0\nelement vertex ${ball.positions.length / 3}\nproperty float x\nproperty float y\nproperty float z\nelement face ${faces.length}\nproperty list uchar int vertex_indices\nend_header\n${Array.from({ length: ball.positions.length / 3 }, (_, v) => p(v).join(' ')).join('\n')}\n${faces.map((f) => `3 ${f.join(' ')}`).join('\n')}\n`,
);
const stl = (() => {
  const view = new DataView(new ArrayBuffer(84 + 50 * faces.length));
  view.setUint32(80, faces.length, true);
  faces.forEach((f, t) =>
    f.forEach((v, c) => p(v).forEach((x, k) => view.setFloat32(84 + 50 * t + 12 + 12 * c + 4 * k, x, true))),
  );
  return new Uint8Array(view.buffer);
})();
const glb = (() => {
  const places = new Uint8Array(Float32Array.from(ball.positions).buffer);
  const corners = new Uint8Array(Uint32Array.from(ball.triangles).buffer);
  const json = JSON.stringify({
    asset: { version: '2.0' },
    scene: 0,
    scenes: [{ nodes: [0] }],
    // Twice as large by its node.
    nodes: [{ mesh: 0, scale: [2, 2, 2] }],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] }],
    buffers: [{ byteLength: places.length + corners.length }],
    bufferViews: [
      { buffer: 0, byteOffset: 0, byteLength: places.length },
      { buffer: 0, byteOffset: places.length, byteLength: corners.length },
    ],
    accessors: [
      {
        bufferView: 0,
        componentType: 5126,
        count: ball.positions.length / 3,
        type: 'VEC3',
        min: [-20, -15, -30],
        max: [20, 15, 30],
      },
      { bufferView: 1, componentType: 5125, count: ball.triangles.length, type: 'SCALAR' },
    ],
  });
  const head = bytesOf(json + ' '.repeat((4 - (json.length % 4)) % 4));
  const out = new Uint8Array(12 + 8 + head.length + 8 + places.length + corners.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, 0x46546c67, true);
  view.setUint32(4, 2, true);
  view.setUint32(8, out.length, true);
  view.setUint32(12, head.length, true);
  view.setUint32(16, 0x4e4f534a, true);
  out.set(head, 20);
  view.setUint32(20 + head.length, places.length + corners.length, true);
  view.setUint32(24 + head.length, 0x004e4942, true);
  out.set(places, 28 + head.length);
  out.set(corners, 28 + head.length + places.length);
  return out;
})();

const sound = (soup: Soup) => {
  const steps = repair(soup);
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
  }
};

describe('a scan from a file', () => {
  const volume = flatExtent(ball).volumeMm3;
  it.each([
    ['obj', obj, 1],
    ['ply', ply, 1],
    ['stl', stl, 1],
    ['glb', glb, 8],
  ] as const)('%s is told by what it holds and read whole', async (kind, bytes, times) => {
    expect(scanKind(bytes)).toBe(kind);
    // The name does not matter.
    const r = sound(await readScan(bytes, 'base.scan'));
    expect(r.report).toMatchObject({ remade: 'no', shells: 1, openEdges: 0 });
    expect(r.extent.volumeMm3 / (times * volume)).toBeCloseTo(1, 4);
  });

  it.each([
    ['an empty file', new Uint8Array(0), /is empty/],
    [
      'a picture called .stl',
      Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0]),
      /not a scan this desk can read/,
    ],
    ['a STL cut short', stl.slice(0, 5000), /not a scan this desk can read|damaged or cut short/],
    ['a GLB cut short', glb.slice(0, 400), /damaged or cut short/],
    [
      'a PLY without faces',
      bytesOf(
        'ply\nformat ascii 1.0\nelement vertex 0\nproperty float x\nproperty float y\nproperty float z\nend_header\n',
      ),
      /no triangles|damaged/,
    ],
    ['an OBJ of points only', bytesOf('v 0 0 0\nv 1 0 0\nv 0 1 0\n'), /no triangles/],
  ])('%s is refused in words', async (_n, bytes, words) => {
    await expect(readScan(bytes, 'base')).rejects.toThrow(ScanError);
    await expect(readScan(bytes, 'base')).rejects.toThrow(words);
  });

  it('guesses the unit that makes it something a maker holds', () => {
    expect([180, 18, 0.18, 7, 4000].map(likelyUnit)).toEqual(['mm', 'cm', 'm', 'cm', 'mm']);
    expect(likelyUnit(2)).toBe('in');
  });
});
