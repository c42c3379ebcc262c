/**
 * Places on the skin, kept by the part they sit on: share of the way along it, and how far out towards its top and its
 * left in its own half height and half width. A place stays where it belongs when the part is made longer or thicker, or is bent.
 */
import { fieldValue } from '@/core/geometry/field';
import { nearestVertex } from '@/core/geometry/mesh';
import { add, scale as times, sub, type Vec3 } from '@/core/geometry/vec';
import type { Place } from '@/core/piece/schema';
import { partDistance } from '@/core/geometry/field';
import { placeOnPart, semiOf, type Body } from './body';

const PULLS = 6;

/** The place of a point near the skin: on the part nearest to it. */
export function placeAt(body: Body, point: Vec3): Place {
  let which = 0;
  let least = Infinity;
  body.parts.forEach((_, p) => {
    const d = partDistance(body.field.parts[p]!, ...(point as [number, number, number]));
    if (d < least) {
      least = d;
      which = p;
    }
  });
  const part = body.parts[which]!;
  const at = placeOnPart(part, ...(point as [number, number, number]));
  const keep = (x: number, lo: number, hi: number) => Math.max(lo, Math.min(hi, Math.round(x * 1e4) / 1e4));
  return {
    part: part.part.id,
    // On the midline the left and the right of a part differ by sign only.
    side: part.right ? at.side : at.outMm < 0 ? 'right' : 'left',
    along: keep(at.along, -1, 2),
    up: keep(at.upMm / Math.max(at.partHighMm, 1e-6), -6, 6),
    out: keep((part.right ? at.outMm : Math.abs(at.outMm)) / Math.max(at.partWideMm, 1e-6), -6, 6),
  };
}

/** @returns where a place lies now, drawn onto the skin; null when the animal has no such part */
export function pointOf(body: Body, place: Place): Vec3 | null {
  const part = body.parts.find((p) => p.part.id === place.part);
  if (!part) return null;
  const stretches = (place.side === 'right' && part.right) || part.left;
  const from = place.along * part.lengthMm;
  const s = stretches.find((x) => from <= x.before + x.length) ?? stretches[stretches.length - 1]!;
  const t = (from - s.before) / s.length;
  const semi = semiOf(s, Math.max(0, Math.min(1, t)));
  const high = place.up >= 0 ? semi.over : semi.under;
  const sign = !part.right && place.side === 'right' ? -1 : 1;
  let p = add(s.a, times(sub(s.b, s.a), t));
  p = add(p, add(times(s.top, place.up * high), times(s.out, sign * place.out * semi.wide)));
  return ontoSkin(body, p);
}

/** A point near the skin drawn onto it. */
export function ontoSkin(body: Body, point: Vec3): Vec3 {
  let p = point;
  if (body.surface) {
    // On an own base the nearest corner of its skin; its corners lie closer than any brush is wide.
    const v = 3 * nearestVertex(body.surface, p);
    return [body.surface[v]!, body.surface[v + 1]!, body.surface[v + 2]!];
  }
  const all = body.parts.map((_, i) => i);
  const f = (q: Vec3) => fieldValue(body.field, all, q[0], q[1], q[2]);
  const e = 1e-3 * body.lengthMm;
  for (let k = 0; k < PULLS; k++) {
    const d = f(p);
    if (Math.abs(d) < 1e-5 * body.lengthMm) break;
    const g: Vec3 = [
      (f([p[0] + e, p[1], p[2]]) - f([p[0] - e, p[1], p[2]])) / (2 * e),
      (f([p[0], p[1] + e, p[2]]) - f([p[0], p[1] - e, p[2]])) / (2 * e),
      (f([p[0], p[1], p[2] + e]) - f([p[0], p[1], p[2] - e])) / (2 * e),
    ];
    const g2 = g[0] ** 2 + g[1] ** 2 + g[2] ** 2;
    if (g2 < 1e-9) break;
    p = sub(p, times(g, d / g2));
  }
  return p;
}

/** Whether two places of either side are one, as near as a hand sets them. */
export const samePlace = (a: Place, b: Place): boolean =>
  a.part === b.part && Math.hypot(a.along - b.along, a.up - b.up, a.out - b.out) < 0.02;

/** The same place on the other side. */
export const mirrorPlace = (p: Place): Place => ({ ...p, side: p.side === 'left' ? 'right' : 'left' });

const RAD = Math.PI / 180;
/** Nearer to the middle of a part than this a place has no side to be turned to. */
const LEAST_OUT = 0.2;
const keptPlace = (x: number): number => Math.round(x * 1e4) / 1e4;

/** How far round its part a place lies, degrees: 0 towards its top, 180 underneath. */
export const roundOf = (p: Pick<Place, 'up' | 'out'>): number => Math.abs(Math.atan2(p.out, p.up) / RAD);

/** A place turned round its part, as far out as it was. */
export function turnedRound(p: Place, roundDeg: number): Place {
  const far = Math.max(LEAST_OUT, Math.hypot(p.up, p.out));
  return { ...p, up: keptPlace(far * Math.cos(roundDeg * RAD)), out: keptPlace(far * Math.sin(roundDeg * RAD)) };
}

/** A place on the skin of a part of the animal's left, so far along it and so far round it. */
export const placeRound = (part: string, along: number, roundDeg: number): Place =>
  turnedRound({ part, side: 'left', along, up: 1, out: 0 }, roundDeg);
