/** The leather of a nose as a surface. */
import { linearOf } from '@/core/colour/rgb';
import type { FacePlan } from '@/core/face/face-plan';
import type { Vec3 } from '@/core/geometry/vec';
import type { Face } from '@/core/piece/face';
import { emptySurface, type Surface } from './eye-solid';

/** The leather of a nose, or nothing for a beak. */
export function noseSurface(plan: FacePlan, face: Face, hex: string): Surface {
  const s = emptySurface();
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
