/**
 * The middle line through a body nobody drew in parts: the middles of its slices from tail to nose, each of its largest
 * outline, short of both ends by as much as the body is thick there. For the wire through an own base. mm
 */
import type { Mesh } from '@/core/geometry/mesh';
import { slice, type Loop } from '@/core/geometry/slice';
import type { Vec3 } from '@/core/geometry/vec';

/** Slices from end to end. Ours. */
const SLICES = 32;

/** Area and centroid of a flat loop, by the shoelace formula. */
function figureOf(loop: Loop): { readonly area: number; readonly x: number; readonly y: number } {
  let area = 0;
  let x = 0;
  let y = 0;
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
    const c = loop[j]! * loop[i + 1]! - loop[i]! * loop[j + 1]!;
    area += c / 2;
    x += ((loop[j]! + loop[i]!) * c) / 6;
    y += ((loop[j + 1]! + loop[i + 1]!) * c) / 6;
  }
  return area === 0 ? { area: 0, x: 0, y: 0 } : { area: Math.abs(area), x: x / area, y: y / area };
}

/** @returns from the tail end to the nose; empty where no slice of the body is thick enough */
export function middleOf(mesh: Mesh): Vec3[] {
  const z = mesh.positions.filter((_, i) => i % 3 === 2);
  const lo = z.reduce((m, x) => Math.min(m, x), Infinity);
  const hi = z.reduce((m, x) => Math.max(m, x), -Infinity);
  return Array.from({ length: SLICES }, (_, i) => lo + ((i + 0.5) / SLICES) * (hi - lo)).flatMap((at): Vec3[] => {
    const loops = slice(mesh, { at: [0, 0, at], normal: [0, 0, 1], across: [1, 0, 0], up: [0, 1, 0] }).map(figureOf);
    const body = loops.reduce((a, b) => (b.area > a.area ? b : a), { area: 0, x: 0, y: 0 });
    const thick = Math.sqrt(body.area / Math.PI);
    return body.area > 0 && Math.min(at - lo, hi - at) >= thick ? [[body.x, body.y, at]] : [];
  });
}
