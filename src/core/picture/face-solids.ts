/** Eyes and nose as surfaces: the layers of an eye laid over its dome, one a little above the other, and the leather of the nose. */
import { eyeColours, eyeShapes } from '@/core/face/drawing/eye-drawing';
import { onEye } from '@/core/face/drawing/face-drawing';
import type { EyePlace } from '@/core/face/eyes/eye-place';
import { linearOf } from '@/core/colour/rgb';
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { FacePlan } from '@/core/face/face-plan';

export interface Surface {
  readonly positions: number[];
  readonly normals: number[];
  readonly triangles: number[];
  readonly colour: number[];
}

const empty = (): Surface => ({ positions: [], normals: [], triangles: [], colour: [] });
const RINGS = 6;

type Pt = readonly [number, number];

/** Height of an eye over the skin at a distance from its middle, mm. */
export function domeOf(plan: Pick<FacePlan, 'eyes'>, face: Pick<Face, 'eyes'>): (r: number) => number {
  const { eyes } = plan;
  const R = face.eyes.sizeMm / 2;
  const disc = eyes.discMm / 2;
  return eyes.out !== null
    ? (r) => Math.sqrt(Math.max(0, R * R - r * r)) + eyes.outMm - R
    : (r) => eyes.outMm * (1 - (r / disc) ** 2);
}

/** A filled outline as rings toward its middle: the places on it, and triangles between them. */
export function rings(ring: readonly Pt[]): { readonly places: readonly Pt[]; readonly triangles: readonly number[] } {
  const n = ring.length;
  const cx = ring.reduce((t, p) => t + p[0], 0) / n;
  const cy = ring.reduce((t, p) => t + p[1], 0) / n;
  const places: Pt[] = [[cx, cy]];
  for (let r = 1; r <= RINGS; r++)
    for (const [x, y] of ring) places.push([cx + ((x - cx) * r) / RINGS, cy + ((y - cy) * r) / RINGS]);
  const triangles: number[] = [];
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    triangles.push(0, 1 + i, 1 + j);
    for (let r = 1; r < RINGS; r++) {
      const a = 1 + (r - 1) * n;
      const b = a + n;
      triangles.push(a + i, b + i, b + j, a + i, b + j, a + j);
    }
  }
  return { places, triangles };
}

/** A filled outline laid over something: each point put where `on` says. */
function draped(s: Surface, ring: readonly Pt[], on: (p: Pt) => Vec3, normal: (p: Pt) => Vec3, hex: string): void {
  const first = s.positions.length / 3;
  const light = linearOf(hex);
  const { places, triangles } = rings(ring);
  for (const p of places) {
    s.positions.push(...on(p));
    s.normals.push(...normal(p));
    s.colour.push(...light);
  }
  for (const t of triangles) s.triangles.push(first + t);
}

/** The eyes, each with its layers; a light only where it is made of wool. */
export function eyeSurfaces(plan: FacePlan, face: Face, cupboard: Pick<Cupboard, 'lots' | 'eyes'>): Surface {
  const s = empty();
  const high = domeOf(plan, face);
  const { eyes } = plan;
  const colours = eyeColours(face.eyes, cupboard, eyes.around?.hex ?? '#4a3a2c');
  eyes.places.forEach((e: EyePlace, index) => {
    const shapes = eyeShapes(face.eyes, eyes.ladder, eyes.ladder.eyes[index]!, eyes.discMm, colours);
    shapes.forEach((shape, k) => {
      // A light drawn in wool is drawn; on glass the lamp makes it.
      if (shape.name.includes('light') && eyes.out !== null && eyes.stock) return;
      const lift = 0.012 * eyes.discMm * (0.5 + k);
      const at = (p: Pt): Vec3 => onEye(e, Math.max(0.05, high(Math.hypot(...p))) + lift, p);
      const step = 0.02 * eyes.discMm;
      const normal = (p: Pt): Vec3 => {
        const [a, b, c] = [at(p), at([p[0] + step, p[1]]), at([p[0], p[1] + step])];
        const u = [0, 1, 2].map((q) => b[q]! - a[q]!);
        const v = [0, 1, 2].map((q) => c[q]! - a[q]!);
        const n = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!];
        const size = Math.hypot(...n) || 1;
        const sign = n[0]! * e.axis[0] + n[1]! * e.axis[1] + n[2]! * e.axis[2] < 0 ? -1 : 1;
        return [(sign * n[0]!) / size, (sign * n[1]!) / size, (sign * n[2]!) / size];
      };
      draped(s, shape.ring, at, normal, shape.hex);
    });
  });
  return s;
}

/** The leather of a nose, or nothing for a beak. */
export function noseSurface(plan: FacePlan, face: Face, hex: string): Surface {
  const s = empty();
  if (face.nose.kind === 'beak') return s;
  const { tip, up } = plan.nose;
  const x = plan.frame.x;
  const z: Vec3 = [x[1] * up[2] - x[2] * up[1], x[2] * up[0] - x[0] * up[2], x[0] * up[1] - x[1] * up[0]];
  const [a, b, c] = [face.nose.widthMm / 2, face.nose.highMm / 2, face.nose.highMm / 3];
  const light = linearOf(hex);
  const [across, round] = [20, 14];
  for (let j = 0; j <= round; j++)
    for (let i = 0; i <= across; i++) {
      const p = (2 * Math.PI * i) / across;
      const q = Math.PI * (j / round - 0.5);
      const d = [Math.cos(q) * Math.cos(p), Math.sin(q), Math.cos(q) * Math.sin(p)] as const;
      // Two nostrils are dark.
      const dark = Math.abs(Math.abs(d[0]) - 0.5) < 0.16 && Math.abs(d[1] + 0.15) < 0.22 && d[2] * 1 > 0 ? 0.25 : 1;
      for (let k = 0; k < 3; k++) {
        s.positions.push(tip[k]! + a * d[0] * x[k]! + b * d[1] * up[k]! + c * d[2] * z[k]!);
        s.colour.push(light[k]! * dark);
      }
      const n = [0, 1, 2].map((k) => (d[0] / a) * x[k]! + (d[1] / b) * up[k]! + (d[2] / c) * z[k]!);
      const size = Math.hypot(...n) || 1;
      s.normals.push(n[0]! / size, n[1]! / size, n[2]! / size);
    }
  for (let j = 0; j < round; j++)
    for (let i = 0; i < across; i++) {
      const o = i + (across + 1) * j;
      s.triangles.push(o, o + 1, o + across + 2, o, o + across + 2, o + across + 1);
    }
  return s;
}
