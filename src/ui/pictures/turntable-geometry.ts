'use client';
/** Geometry and colours of the turntable: surfaces, row lines, the lit row, and what lies under the fur. */
import { useEffect } from 'react';
import * as THREE from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import type { Row, RowPiece } from '@/core/coat/rows/rows';
import { BARE, COVER, MARK, PLAIN } from './colours';

export function surface(positions: Float64Array, normals: Float64Array, triangles: Uint32Array): THREE.BufferGeometry {
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.BufferAttribute(Float32Array.from(positions), 3));
  g.setAttribute('normal', new THREE.BufferAttribute(Float32Array.from(normals), 3));
  g.setIndex(new THREE.BufferAttribute(triangles, 1));
  return g;
}

/** Frees a geometry when it is replaced. */
export function useFreed<T extends THREE.BufferGeometry | null>(g: T): T {
  useEffect(() => () => g?.dispose(), [g]);
  return g;
}

/** What lies under drawn strands: the depth of the fur where it covers, the base where it does not. */
export function underFur(cover: number, wool: string, out: THREE.Color): void {
  out
    .set(wool)
    .multiplyScalar(0.4)
    .lerp(base, 1 - cover);
}
const base = new THREE.Color(BARE);

const SCALE = [
  [0.5, new THREE.Color(COVER.bare)],
  [0.9, new THREE.Color(COVER.shows)],
  [0.94, new THREE.Color(COVER.nearly)],
  [0.98, new THREE.Color(COVER.hidden)],
  [1, new THREE.Color(COVER.all)],
] as const;

/** From hidden to bare: pale, ochre, red. */
export function coverColour(share: number, out: THREE.Color): void {
  if (share <= SCALE[0][0]) {
    out.copy(SCALE[0][1]);
    return;
  }
  for (let i = 1; i < SCALE.length; i++) {
    const [b, cb] = SCALE[i]!;
    const [a, ca] = SCALE[i - 1]!;
    if (share <= b) {
      out.lerpColors(ca, cb, (share - a) / (b - a));
      return;
    }
  }
}

export function rowGeometry(rows: readonly Row[], lift: number): THREE.BufferGeometry {
  const points = rows.flatMap((r) => r.pieces.flatMap((q) => raised(q, lift)));
  return new THREE.BufferGeometry().setAttribute('position', new THREE.Float32BufferAttribute(points, 3));
}

/** A stretch of a row as separate line pieces, lifted off the skin. */
function raised(q: RowPiece, lift: number): number[] {
  const points: number[] = [];
  for (let i = 3; i < q.points.length; i += 3) {
    for (const j of [i - 3, i]) for (let k = 0; k < 3; k++) points.push(q.points[j + k]! + lift * q.normal[j + k]!);
  }
  return points;
}

/** What lies on the animal is not what a press is aimed at. */
export const untouched = (): null => null;

/** The row to lay next: a pale line on a woad one, thick enough to see from arm's length, seen through the body too. */
export function thickLines(pieces: readonly RowPiece[], lift: number): LineSegments2[] {
  if (pieces.length === 0) return [];
  const points = pieces.flatMap((q) => raised(q, lift));
  return (
    [
      [MARK, 7],
      [PLAIN, 3],
    ] as const
  ).map(([color, linewidth], i) => {
    const g = new LineSegmentsGeometry();
    g.setPositions(points);
    const line = new LineSegments2(g, new LineMaterial({ color, linewidth, depthTest: false }));
    line.renderOrder = 5 + i;
    line.raycast = untouched;
    return line;
  });
}
