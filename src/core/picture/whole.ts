/** All that is drawn: the animal and what stands under, round and beside it. What a picture has room for. Lengths mm. */
import { middleOf } from '@/core/build/things/support';
import type { ThingPlan } from '@/core/build/things/thing-plan';
import type { Vec3 } from '@/core/geometry/vec';
import type { Plan } from '@/core/plan';
import { centreOf } from './lens';

export interface Whole {
  readonly middle: Vec3;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly widthMm: number;
}

/** @returns the animal itself where nothing stands with it */
export function wholeOf({ form, things, stands }: Pick<Plan, 'form' | 'things' | 'stands'>): Whole {
  const places = things.flatMap((p) => reachOf(p, stands));
  if (places.length === 0)
    return {
      middle: centreOf(form.skin.positions),
      lengthMm: form.lengthMm,
      heightMm: form.heightMm,
      widthMm: form.widthMm,
    };
  const at = [...places.flat()];
  const p = form.skin.positions;
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  const widen = (list: ArrayLike<number>) => {
    for (let i = 0; i < list.length; i++) {
      lo[i % 3] = Math.min(lo[i % 3]!, list[i]!);
      hi[i % 3] = Math.max(hi[i % 3]!, list[i]!);
    }
  };
  widen(p);
  widen(at);
  const [widthMm, heightMm, lengthMm] = [0, 1, 2].map((k) => hi[k]! - lo[k]!) as [number, number, number];
  return { middle: [0, 1, 2].map((k) => (lo[k]! + hi[k]!) / 2) as unknown as Vec3, lengthMm, heightMm, widthMm };
}

/** Corners of what a thing reaches beyond the animal; none of what is worn. */
function reachOf({ thing: t, framed, massG }: ThingPlan, stands: Plan['stands']): Vec3[] {
  if (massG <= 0) return [];
  if (t.kind === 'frame') {
    if (!framed) return [];
    const [h, l] = [framed.halfHigh + t.profileMm, framed.halfLong + t.profileMm];
    const [x, y, z] = framed.middle;
    return [
      [x, y - h, z - l],
      [framed.frontX, y + h, z + l],
    ];
  }
  if (stands.case === 'hangs') return [];
  const { on } = stands;
  const [mx, mz] = on?.middle ?? middleOf(stands.feet, stands.centre);
  if (t.kind === 'base')
    return on?.baseId === t.id ? on.outline.flatMap(([x, z]): Vec3[] => [[x, on.level, z], [x, on.topY, z]]) : []; // prettier-ignore
  if (t.kind === 'twig' && t.under && on?.twigId !== t.id) return [];
  const under = t.kind === 'twig' && t.under;
  const floor = on?.baseId ? on.topY : (on?.level ?? stands.groundY);
  if (t.kind === 'twig') {
    const [x, z] = under ? [mx, mz] : [mx + t.leftMm, mz + t.forwardMm];
    const y = under ? on!.twigY! : floor + t.acrossMm / 2;
    const a = (t.turnDeg * Math.PI) / 180;
    const half = t.longMm / 2;
    return [-1, 1].flatMap((s): Vec3[] => {
      const [ex, ez] = [x + s * half * Math.cos(a), z + s * half * Math.sin(a)];
      const r = t.acrossMm / 2;
      return [
        [ex - r, y - r, ez - r],
        [ex + r, y + r, ez + r],
      ];
    });
  }
  if (t.kind !== 'basket') return [];
  const [x, z, r] = [mx + t.leftMm, mz + t.forwardMm, t.topMm / 2];
  return [
    [x - r, floor, z - r],
    [x + r, floor + t.highMm + (t.handle ? r : 0), z + r],
  ];
}
