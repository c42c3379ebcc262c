/**
 * Strands of fur for the picture: along every row at even distances with a golden-ratio shift, so that neighbouring rows
 * do not line up, each leaning along the lie at its lift, sagging a little towards its tip, with a seeded scatter. The
 * same piece always gives the same strands.
 */
import type { Piece } from '@/core/piece/schema';
import type { CoatPlan } from './coat';
import { SCATTER } from './cover';

export interface Strands {
  /** Line pieces: two points of stride 3 each. */
  readonly points: Float32Array<ArrayBuffer>;
  /** Linear light of each point, stride 3, 0..1: the lot's colour, darker at the root, lit a little from above. */
  readonly colours: Float32Array<ArrayBuffer>;
  readonly count: number;
}

const SEGMENTS = 3;
const GOLDEN = 0.6180339887498949;

/** Small seeded generator (mulberry32). */
function seeded(seed: number): () => number {
  let s = seed | 0;
  return () => {
    s = (s + 0x6d2b79f5) | 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Linear light of a channel of a screen colour (IEC 61966-2-1). */
function channel(hex: string, i: number): number {
  const c = parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
}

/** @param most about how many strands to make over the whole animal; shared out by row length */
export function strands(piece: Piece, coat: CoatPlan, most: number): Strands {
  const total = coat.totals.rowsMm;
  const step = total > 0 ? total / most : 1;
  const rnd = seeded(piece.seed);
  const points: number[] = [];
  const colours: number[] = [];
  let count = 0;
  let phase = 0;
  for (const area of coat.areas) {
    const spec = piece.areas.find((a) => a.id === area.id)?.coat;
    if (!area.fur || !area.colour || spec?.method !== 'fold-over') continue;
    const base = [0, 1, 2].map((i) => channel(area.colour!, i));
    const lift = (spec.liftDeg * Math.PI) / 180;
    for (const row of area.fur.rows.rows) {
      for (const p of row.pieces) {
        phase = (phase + GOLDEN) % 1;
        let next = step * phase;
        let run = 0;
        for (let i = 3; i < p.points.length; i += 3) {
          const d = Math.hypot(
            p.points[i]! - p.points[i - 3]!,
            p.points[i + 1]! - p.points[i - 2]!,
            p.points[i + 2]! - p.points[i - 1]!,
          );
          for (; next < run + d; next += step) {
            const t = (next - run) / d;
            strand(p.points, p.normal, p.lie, i, t);
          }
          run += d;
        }
      }
    }

    function strand(at: Float64Array, normal: Float64Array, lie: Float64Array, i: number, t: number): void {
      const mix = (a: Float64Array, k: number) => a[i - 3 + k]! + t * (a[i + k]! - a[i - 3 + k]!);
      const n = [mix(normal, 0), mix(normal, 1), mix(normal, 2)] as const;
      const l = [mix(lie, 0), mix(lie, 1), mix(lie, 2)] as const;
      // Sideways of the lie, for the scatter.
      const s = [n[1] * l[2] - n[2] * l[1], n[2] * l[0] - n[0] * l[2], n[0] * l[1] - n[1] * l[0]] as const;
      const turn = (rnd() + rnd() - 1) * 1.7 * SCATTER;
      const rise = lift + (rnd() - 0.5) * 0.2;
      const length = (spec as { lengthMm: number }).lengthMm * (0.85 + 0.2 * rnd());
      const shade = (0.7 + 0.6 * rnd()) * (0.85 + 0.35 * n[1]);
      const jog = (rnd() - 0.5) * 0.5 * (spec as { spacingMm: number }).spacingMm;
      let x = mix(at, 0) + jog * l[0];
      let y = mix(at, 1) + jog * l[1];
      let z = mix(at, 2) + jog * l[2];
      for (let k = 0; k < SEGMENTS; k++) {
        const up = rise * (1 - (0.9 * k) / SEGMENTS);
        const c = (Math.cos(up) * length) / SEGMENTS;
        const u = (Math.sin(up) * length) / SEGMENTS;
        const q = [0, 1, 2].map((j) => c * (l[j]! * Math.cos(turn) + s[j]! * Math.sin(turn)) + u * n[j]!);
        points.push(x, y, z);
        x += q[0]!;
        y += q[1]!;
        z += q[2]!;
        points.push(x, y, z);
        for (const end of [k, k + 1]) {
          const light = shade * (0.4 + (0.75 * end) / SEGMENTS);
          for (let j = 0; j < 3; j++) colours.push(Math.min(1, base[j]! * light));
        }
      }
      count++;
    }
  }
  return { points: Float32Array.from(points), colours: Float32Array.from(colours), count };
}
