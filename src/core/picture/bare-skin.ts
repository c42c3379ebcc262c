/** Skin that no fur stands on: what colour it has, whether it is felt with its fuzz or close and shining, and which way it is brushed. */
import { BARE_CORE } from '@/core/colour/bare';
import type { Triple } from '@/core/colour/lab';
import { linearOf } from '@/core/colour/rgb';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { HORN_GLOSS } from '@/core/coat/techniques/smooth/smooth';
import { makeBody, type BodyPart } from '@/core/form/body';
import type { StandingLeaf } from '@/core/form/leaf';
import { partDistance } from '@/core/geometry/field';
import { towardHollow, type Bent } from '@/core/geometry/leaf';
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { FlatPart, Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { seenAt } from '@/core/shade/layers/look';

/** Where each vertex of the skin lies: which area's surface it is part of, and which vertex of that; -1 for none. */
interface OwnedSkin {
  readonly area: Int16Array;
  readonly vertex: Int32Array;
}

/** Of the same areas on the same skin it is looked up once. */
const owned = new WeakMap<readonly AreaPlan[], { readonly of: ArrayLike<number>; readonly made: OwnedSkin }>();

/** Surfaces keep the vertices of the skin they were cut from; what borders are rounded by goes to the area beside it. */
export function areasOfSkin(
  skin: Pick<Plan['form']['skin'], 'positions' | 'triangles'>,
  areas: readonly AreaPlan[],
): OwnedSkin {
  const had = owned.get(areas);
  if (had?.of === skin.positions) return had.made;
  const made = ownedBy(skin, areas);
  owned.set(areas, { of: skin.positions, made });
  return made;
}

function ownedBy(
  { positions, triangles: T }: Pick<Plan['form']['skin'], 'positions' | 'triangles'>,
  areas: readonly AreaPlan[],
): OwnedSkin {
  const key = (p: ArrayLike<number>, i: number) => `${p[i]!},${p[i + 1]!},${p[i + 2]!}`;
  const at = new Map<string, readonly [number, number]>();
  areas.forEach((a, n) => {
    const p = a.surface?.positions;
    for (let i = 0; p && i < p.length; i += 3) at.set(key(p, i), [n, i / 3]);
  });
  const area = new Int16Array(positions.length / 3).fill(-1);
  const vertex = new Int32Array(area.length).fill(-1);
  for (let v = 0; v < area.length; v++) {
    const of = at.get(key(positions, 3 * v));
    if (of) [area[v], vertex[v]] = of;
  }
  const own = Int16Array.from(area);
  for (let t = 0; t < T.length; t += 3) {
    for (let c = 0; c < 3; c++) {
      const [v, w] = [T[t + c]!, T[t + ((c + 1) % 3)]!];
      for (const [to, from] of [
        [v, w],
        [w, v],
      ] as const)
        if (area[to]! < 0 && own[from]! >= 0) [area[to], vertex[to]] = [own[from]!, vertex[from]!];
    }
  }
  return { area, vertex };
}

/** By vertex of the skin. */
export interface BareSkin {
  /** No fur stands there. */
  readonly bare: Uint8Array;
  /** Light, stride 3; under fur that of what the fur stands on: the layer it is laid as, a layer below the coat, or the core. */
  readonly colour: Float32Array;
  /** 0 for felt with its fuzz, up to 1 for glass. */
  readonly gloss: Float32Array;
  /** Its fuzz lies along the lie. */
  readonly along: Uint8Array;
  /** Which of the leaves below it is part of, counted from 1; 0 for none. */
  readonly leaf: Uint8Array;
  readonly leaves: readonly LinedLeaf[];
}

/** A leaf of two wools: what lies toward its hollow and what lies behind. */
interface LinedLeaf {
  readonly bent: Bent;
  readonly lining: Triple;
  readonly back: Triple;
}

/** The colour of a leaf at a place of its skin. */
const onLined = (l: LinedLeaf, x: number, y: number, z: number): Triple =>
  towardHollow(l.bent, x, y, z) > 0 ? l.lining : l.back;

/** Round an eye so much of what is kept clear is its lids. */
const LIDS = 1.15;

export function bareSkin(piece: Piece, plan: Plan, cupboard: Cupboard, owner: OwnedSkin): BareSkin {
  const hexOf = (id: string | null | undefined) => cupboard.lots.find((l) => l.id === id)?.colour;
  const wool = (id: string | null | undefined) => linearOf(hexOf(id) ?? BARE_CORE);
  const { positions: p, normals: n } = plan.form.skin;
  const core = wool(piece.core.lotId);
  const partOf = partFinder(piece, p);
  const flat = new Map(piece.flatParts.map((f) => [f.id, f]));
  const beaks = new Map(
    piece.smallParts
      .filter((s) => s.kind === 'beak')
      .map((s) => [s.on, plan.shade.judged.palette.find((x) => x.id === s.id)?.hex ?? null]),
  );
  const forward = plan.face?.frame.z ?? ([0, 0, 1] as Vec3);
  // Round an eye lie its lids, and what was chosen to lie about it.
  const about = plan.face?.eyes.around ? linearOf(plan.face.eyes.around.hex) : null;
  const lids = LIDS * (plan.face?.clearMm ?? 0);
  const byEye = (v: number): boolean =>
    about !== null &&
    plan.face!.eyes.places.some(
      (e) => Math.hypot(p[3 * v]! - e.at[0], p[3 * v + 1]! - e.at[1], p[3 * v + 2]! - e.at[2]) < lids,
    );
  const areas = plan.coat.areas.map((a) => ({
    fur: a.fur !== null && a.fur.pile.skin === null,
    gloss: a.fur?.pile.skin?.gloss ?? 0,
    felted: a.fur !== null && a.fur.pile.skin !== null,
    layer: a.fur?.pile.scattered ?? false,
    under: underCoat(plan.shade.areas.find((s) => s.id === a.id)) ?? core,
    field: plan.shade.areas.find((s) => s.id === a.id)?.field ?? null,
  }));
  const count = p.length / 3;
  const out = {
    bare: new Uint8Array(count),
    colour: new Float32Array(p.length),
    gloss: new Float32Array(count),
    along: new Uint8Array(count),
    leaf: new Uint8Array(count),
    leaves: [] as LinedLeaf[],
  };
  const lined = new Map<StandingLeaf, number>();
  const leafAt = (b: StandingLeaf, f: FlatPart): number => {
    const had = lined.get(b);
    if (had !== undefined) return had;
    const back = wool(f.lotId);
    out.leaves.push({ bent: b, back, lining: f.liningLotId ? wool(f.liningLotId) : back });
    lined.set(b, out.leaves.length);
    return out.leaves.length;
  };
  for (let v = 0; v < count; v++) {
    const a = owner.area[v]! < 0 ? null : areas[owner.area[v]!]!;
    const lid = byEye(v);
    const set = (c: Triple, gloss = 0) => {
      out.colour.set(c, 3 * v);
      out.gloss[v] = gloss;
    };
    if (a?.fur && !lid) {
      set(a.layer && a.field ? seenAt(a.field, owner.vertex[v]!) : a.under);
      continue;
    }
    out.bare[v] = 1;
    const { part, leaf } = partOf(v);
    out.along[v] = part.role === 'ear' ? 1 : 0;
    if (lid) set(about!);
    else if (a?.felted && a.field) set(seenAt(a.field, owner.vertex[v]!), a.gloss);
    else if (beaks.has(part.id)) set(linearOf(beaks.get(part.id) ?? BARE_CORE), HORN_GLOSS);
    else {
      const f = flat.get(part.id);
      if (f && leaf) {
        out.leaf[v] = leafAt(nearerLeaf(leaf, p, v), f);
        set(onLined(out.leaves[out.leaf[v]! - 1]!, p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!));
        continue;
      }
      const inside = f && n[3 * v]! * forward[0] + n[3 * v + 1]! * forward[1] + n[3 * v + 2]! * forward[2] > 0.25;
      if (f) set(wool(inside && f.liningLotId ? f.liningLotId : f.lotId));
      else set(a?.field ? seenAt(a.field, owner.vertex[v]!) : core);
    }
  }
  return out;
}

/** The one of a pair a vertex lies on. */
function nearerLeaf({ left, right }: NonNullable<BodyPart['leaf']>, p: ArrayLike<number>, v: number): StandingLeaf {
  if (!right) return left;
  const to = ({ root }: StandingLeaf) =>
    Math.hypot(p[3 * v]! - root[0], p[3 * v + 1]! - root[1], p[3 * v + 2]! - root[2]);
  return to(right) < to(left) ? right : left;
}

/** What is seen before the coat is laid: its under-layers, or the base. */
function underCoat(s: Plan['shade']['areas'][number] | undefined): Triple | null {
  if (!s) return null;
  const coat = s.layers.findIndex((l) => l.says === 'coat');
  return linearOf(coat > 0 ? s.layers[coat - 1]!.seenHex : s.groundHex);
}

/** The part nearest to a vertex of the skin. */
function partFinder(piece: Piece, p: ArrayLike<number>): (v: number) => BodyPart {
  const body = makeBody(piece.form);
  let best = 0;
  return (v) => {
    // Beginning with the part of the last one, which lies beside it.
    let least = partDistance(body.field.parts[best]!, p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!);
    body.field.parts.forEach((x, i) => {
      const d = partDistance(x, p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!, least);
      if (d < least) [best, least] = [i, d];
    });
    return body.parts[best]!;
  };
}
