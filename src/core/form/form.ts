/** The form stage: the finished animal as a closed skin with the lie of the fur on it, its volume and its surface. */
import { ref } from '@/core/ref';
import { partDistance } from '@/core/geometry/field';
import { polygonise, type Skin } from '@/core/geometry/polygonise';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Piece } from '@/core/piece/schema';
import { NO_WORK, type Context, type Finding, type Stage } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { DEPTH_REACH } from './areas';
import { makeBody, type Body, type Drawn } from './body';
import { EDGE_SHARE } from './fineness';
import { handoverOf, lieOf } from './lie';
import { nodesOf } from './pose';
import { skinOfScan } from './scan';

export const scaleOfLife = method({
  id: 'scale-of-life',
  title: 'Scale of the piece',
  formula: 'scale = L life / L finished',
  inputs: {
    life: letter('L life', 'length in life, nose to tail', 'length'),
    finished: letter('L finished', 'finished length of the piece', 'length'),
  },
  result: letter('scale', 'one part of the piece stands for so many in life', 'number'),
  source: 'Every measure taken from the animal is divided by the same number.',
  basis: 'common practice',
  of: (x) => x.life / x.finished,
});

export interface FormPlan {
  readonly scale: Figure;
  /** Nose to tail as drawn, before it is posed. */
  readonly finishedMm: number;
  /** As posed. */
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly widthMm: number;
  readonly volumeMm3: number;
  readonly areaMm2: number;
  readonly skin: { readonly positions: Float64Array; readonly normals: Float64Array; readonly triangles: Uint32Array };
  /** Unit direction of the fur at every vertex, stride 3. */
  readonly lie: Float64Array;
}

/** What later stages and caches need of the form, beyond what the plan shows. */
export interface FormWork {
  readonly body: Body;
  readonly skin: Skin;
  /**
   * Of every vertex to every part, stride = number of parts, mm. Parts that are further off than the nearest by more than areas and lie
   * look at are only known to be.
   */
  readonly distance: Float32Array;
  readonly lie: Float64Array;
}

/** Part of the body nearest to each vertex of the skin. */
export function nearestParts(w: FormWork): Int32Array {
  const P = w.body.parts.length;
  const n = w.skin.positions.length / 3;
  const out = new Int32Array(n);
  for (let v = 0; v < n; v++) {
    let best = 0;
    for (let p = 1; p < P; p++) if (w.distance[v * P + p]! < w.distance[v * P + best]!) best = p;
    out[v] = best;
  }
  return out;
}

/** @param edgeShare side of the grid as a share of the animal's longest way across */
export function workForm(form: Drawn, edgeShare = EDGE_SHARE): FormWork {
  const body = makeBody(form);
  const skin = form.scan ? skinOfScan(form.scan, body.scale) : polygonise(body.field, edgeShare * body.largestMm);
  const n = skin.positions.length / 3;
  const P = body.parts.length;
  const distance = new Float32Array(n * P);
  const matters = 1.01 * Math.max(handoverOf(body), DEPTH_REACH * skin.edgeMm);
  let nearest = 0;
  for (let v = 0; v < n; v++) {
    const x = skin.positions[3 * v]!;
    const y = skin.positions[3 * v + 1]!;
    const z = skin.positions[3 * v + 2]!;
    // Vertices come side by side: what was nearest to the last one is about the nearest to this one too.
    let least = partDistance(body.field.parts[nearest]!, x, y, z);
    for (let p = 0; p < P; p++) {
      const d = partDistance(body.field.parts[p]!, x, y, z, least + matters);
      distance[v * P + p] = d;
      if (d < least) {
        least = d;
        nearest = p;
      }
    }
  }
  return { body, skin, distance, lie: lieOf(body, skin, distance) };
}

export function planForm({ piece }: Pick<Context, 'piece'>, { work: w }: { readonly work: FormWork }): Stage<FormPlan> {
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  w.skin.positions.forEach((x, i) => {
    lo[i % 3] = Math.min(lo[i % 3]!, x);
    hi[i % 3] = Math.max(hi[i % 3]!, x);
  });
  const findings: Finding[] = [];
  if (w.skin.pieces > 1) {
    findings.push({
      id: 'form-apart',
      code: 'form-apart',
      stage: 'form',
      severity: 'stop',
      about: null,
      says: say`The animal is in ${count(w.skin.pieces)} separate pieces.`,
      why: say`A part does not touch the rest of the body, so it cannot be joined where it is drawn.`,
      remedies: [],
    });
  }
  // What is made as a flat part is felted without the animal under it.
  const apart = new Set(piece.flatParts.map((f) => f.id));
  const thin = w.body.parts.filter((p) => !apart.has(p.part.id) && thinnest(p.part) * w.body.scale * 2 < 1.5);
  for (const p of thin) {
    findings.push({
      id: `form-thin-${p.part.id}`,
      code: 'form-thin',
      stage: 'form',
      severity: 'caution',
      about: ref('part', p.part.id),
      says: say`${p.part.name} is only ${mm(thinnest(p.part) * w.body.scale * 2)} thick.`,
      why: say`A needle finds no hold in wool thinner than about ${mm(1.5)}; make it as a flat felted part.`,
      remedies: [],
    });
  }
  return {
    result: {
      scale: figure(scaleOfLife, { life: piece.form.lifeLengthMm, finished: piece.form.finishedLengthMm }),
      finishedMm: piece.form.finishedLengthMm,
      lengthMm: hi[2]! - lo[2]!,
      heightMm: hi[1]! - lo[1]!,
      widthMm: hi[0]! - lo[0]!,
      volumeMm3: w.skin.extent.volumeMm3,
      areaMm2: w.skin.extent.areaMm2,
      skin: { positions: w.skin.positions, normals: w.skin.normals, triangles: w.skin.triangles },
      lie: w.lie,
    },
    findings,
    ...NO_WORK,
  };
}

function thinnest(p: Piece['form']['parts'][number]): number {
  if (p.shape === 'limb')
    return Math.min(...nodesOf(p).map(({ radius, section: s }) => radius * Math.min(s.wide, (s.over + s.under) / 2)));
  return p.shape === 'pad' ? Math.min(p.halfWidth, p.halfHeight) : p.thickness / 2;
}
