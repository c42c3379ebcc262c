/**
 * The core under the coat as a maker builds it: its skin, what every part of it weighs and measures, how long to make a
 * limb before it is joined, and what stops it: parts the coat would swallow.
 */
import { only, ref } from '@/core/ref';
import { decided, SIZE, the } from '@/core/decision';
import type { CoatPlan, ShapedAreas } from '@/core/coat/coat-plan';
import { partDistance } from '@/core/geometry/field';
import { scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { outOf } from '@/core/materials';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Part, Piece } from '@/core/piece/schema';
import type { Finding, Operation, Stage } from '@/core/stage';
import { grams, joined, mm, say } from '@/core/text';
import { lightness } from '@/core/colour/lab';
import { feltPart, joinParts } from '@/core/stabbing';
import { findWools } from '@/core/wool/find';
import type { Suits } from '@/core/wool/forms';
import { onAxis, type Body, type BodyPart } from '@/core/form/body';
import { collarMass, coreMass, coreMinutes, fringeLength, limbLength, looseVolume } from './core-methods';
import { swallowed } from './core-findings';
import { sectionsOf, type Section } from './core-sections';
import { coreSkin, evenLoft, type CoreSkin } from './core-skin';
import { nearestParts, type FormWork } from '@/core/form/form';

export type Firmness = keyof Hand['coreDensityMgCm3'];

export interface CorePart {
  readonly id: string;
  readonly name: string;
  readonly firmness: Firmness;
  /** Made as a flat part of its own, so it is not counted here again. */
  readonly madeApart: boolean;
  /** How many of it are built: two of a pair. */
  readonly count: 1 | 2;
  /** Of one. */
  readonly volumeMm3: number;
  readonly mass: Figure;
  readonly leastG: number;
  readonly mostG: number;
  readonly loose: Figure;
  /** Null for the part all others sit on. */
  readonly length: Figure | null;
  readonly fringe: Figure | null;
  readonly collar: Figure | null;
  readonly axisMm: number;
  readonly sections: readonly Section[];
}

export interface CorePlan {
  readonly school: Piece['core']['school'];
  /** Null when the coat leaves nothing of it. */
  readonly skin: {
    readonly positions: Float64Array;
    readonly normals: Float64Array;
    readonly triangles: Uint32Array;
  } | null;
  /** The core could not be worked out for this coat. */
  readonly undrawn: boolean;
  readonly volumeMm3: number;
  /** It is there already: an own base brought in as the finished core. */
  readonly there: boolean;
  readonly parts: readonly CorePart[];
  /** Wool to build it from. */
  readonly massG: number;
  readonly leastG: number;
  readonly mostG: number;
  /** Of it for the collars over the joints. */
  readonly collarsG: number;
  readonly minutes: Figure;
  readonly lotId: string | null;
}

/** What standing needs beyond the plan. */
export interface CoreWork {
  /** Middle of mass and mass of each part of the core, g, mm. */
  readonly weights: readonly { readonly massG: number; readonly at: Vec3 }[];
}

const firmnessOf = (piece: Piece, part: Part): Firmness =>
  piece.core.soft.find((s) => s.part === part.id)?.firmness ?? 'firm';

/**
 * Thickness of the coat at every vertex: of the area that has it, where its loft changes from hem to top by how far up it
 * lies; else the allowance; none on flat felt and board.
 */
export function askedLoft(
  piece: Piece,
  w: FormWork,
  coat: CoatPlan,
  shaped: Pick<ShapedAreas, 'owner' | 'shapes'>,
): Float64Array {
  const { owner } = shaped;
  const part = nearestParts(w);
  const flat = w.body.parts.map((p) => p.part.shape === 'board' || firmnessOf(piece, p.part) === 'flat felt');
  const out = new Float64Array(owner.length);
  // What was scanned as the core is the core: the coat adds outward.
  if (piece.core.school === 'full-size' || piece.form.scan?.role === 'core') return out;
  const lofts = coat.areas.map((a) => a.fur?.figures.loft.value ?? piece.core.allowanceMm);
  owner.forEach((a, v) => {
    if (!flat[part[v]!]) out[v] = a < 0 ? piece.core.allowanceMm : lofts[a]!;
  });
  coat.areas.forEach((a, i) => {
    const up = a.fur?.loftUp;
    const shape = shaped.shapes[i];
    if (!up || !shape) return;
    const { phi } = shape.field;
    const low = phi.reduce((m, x) => Math.min(m, x), Infinity);
    const { from } = shape.patch;
    // A vertex of the cut may have been moved onto it from either of two of the skin.
    for (let v = 0; v < phi.length; v++) {
      const at = Math.max(0, Math.min(1, (phi[v]! - low) / (shape.heightMm || 1))) * (up.length - 1);
      const k = Math.min(up.length - 2, Math.floor(at));
      const loft = up[k]! + (at - k) * (up[k + 1]! - up[k]!);
      for (const q of [from[2 * v]!, from[2 * v + 1]!]) if (owner[q] === i && !flat[part[q]!]) out[q] = loft;
    }
  });
  return out;
}

export function workCore(w: FormWork, asked: Float64Array): CoreSkin {
  return coreSkin(w.skin, evenLoft(w.skin, asked));
}

/** How much of a part's axis lies inside what it sits on, and how much its bends take. mm */
export function joining(body: Body, part: BodyPart): { inside: number; bend: number } {
  const base = body.parts.findIndex((p) => p.part.id === part.part.on);
  let inside = 0;
  if (base >= 0) {
    const fromStart = part.part.root === 'start';
    const STEPS = 60;
    // From its root end outwards until it leaves what it sits on.
    for (let i = 0; i <= STEPS; i++) {
      const along = fromStart ? i / STEPS : 1 - i / STEPS;
      const { at } = onAxis(part, part.left, along);
      if (partDistance(body.field.parts[base]!, at[0], at[1], at[2]) > 0) break;
      inside = (i / STEPS) * part.lengthMm;
    }
  }
  let bend = 0;
  for (let i = 1; i < part.left.length; i++) {
    const [a, b] = [part.left[i - 1]!, part.left[i]!];
    const cos = [0, 1, 2].reduce((s, k) => s + unit(sub(a.b, a.a))[k]! * unit(sub(b.b, b.a))[k]!, 0);
    bend += Math.acos(Math.max(-1, Math.min(1, cos))) * a.rb;
  }
  return { inside: Math.min(inside, part.lengthMm * 0.9), bend };
}

/** Volume and middle of the core by part: nodes of the grid inside the core, shared out to the part nearest to them. */
function sharedOut(w: FormWork, c: CoreSkin): { volume: number[]; at: Vec3[] } {
  const P = w.body.parts.length;
  const nodes = new Float64Array(P);
  const middle = w.body.parts.map(() => [0, 0, 0] as [number, number, number]);
  const { n, h, origin, inside } = c.grid;
  const half = origin[0] > -h;
  const T = w.skin.triangles;
  for (let q = 0; q < inside.length; q++) {
    if (!inside[q]) continue;
    const i = q % n[0];
    if (half && i === 0) continue;
    const hit = c.finder.atNode(q);
    const t = hit.triangle;
    const loft =
      t < 0 ? 0 : hit.b0 * c.loft[T[3 * t]!]! + hit.b1 * c.loft[T[3 * t + 1]!]! + hit.b2 * c.loft[T[3 * t + 2]!]!;
    if (hit.distance <= loft) continue;
    const x = origin[0] + i * h;
    const y = origin[1] + (Math.floor(q / n[0]) % n[1]) * h;
    const z = origin[2] + Math.floor(q / (n[0] * n[1])) * h;
    let best = 0;
    let least = Infinity;
    for (let p = 0; p < P; p++) {
      const d = partDistance(w.body.field.parts[p]!, x, y, z);
      if (d < least) {
        least = d;
        best = p;
      }
    }
    const weight = half ? 2 : 1;
    nodes[best]! += weight;
    if (!half) middle[best]![0] += x;
    middle[best]![1] += weight * y;
    middle[best]![2] += weight * z;
  }
  const total = nodes.reduce((a, b) => a + b, 0) || 1;
  const volume = c.skin?.extent.volumeMm3 ?? 0;
  return {
    volume: Array.from(nodes, (x) => (x / total) * volume),
    at: middle.map((m, p) => times(m, 1 / (nodes[p] || 1))),
  };
}

export function planCore(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  w: FormWork,
  c: CoreSkin,
): Stage<CorePlan> & { work: CoreWork } {
  const shares = sharedOut(w, c);
  const findings = swallowed(piece, w, c);
  const lot = cupboard.lots.find((l) => l.id === piece.core.lotId) ?? null;
  const apart = new Set(piece.flatParts.map((f) => f.id));
  // An own base brought in as the finished core is there already: nothing of it is felted.
  const there = piece.form.scan?.role === 'core';
  const parts = w.body.parts.flatMap((b, i): CorePart[] => {
    if (b.part.shape === 'board') return [];
    const firmness = firmnessOf(piece, b.part);
    const count = b.part.mirrored ? 2 : 1;
    const volumeMm3 = shares.volume[i]! / count;
    const density = hand.coreDensityMgCm3[firmness];
    const mass = figure(coreMass, { volume: volumeMm3, density: density.usual });
    const { inside, bend } = joining(w.body, b);
    const across = rootAcross(b);
    const fringe = b.part.on === null ? null : figure(fringeLength, { across });
    return [
      {
        id: b.part.id,
        name: b.part.name,
        firmness,
        madeApart: apart.has(b.part.id),
        count,
        volumeMm3,
        mass,
        leastG: (volumeMm3 / 1000) * (density.least / 1000),
        mostG: (volumeMm3 / 1000) * (density.most / 1000),
        loose: figure(looseVolume, { mass: mass.value, density: hand.looseDensityMgCm3 }),
        length: b.part.on === null ? null : figure(limbLength, { visible: b.lengthMm - inside, inside, bend }),
        fringe,
        collar: fringe && figure(collarMass, { across, fringe: fringe.value }),
        axisMm: b.lengthMm,
        sections: sectionsOf(w, c, b),
      },
    ];
  });
  const sum = (of: (p: CorePart) => number) =>
    there ? 0 : parts.reduce((s, p) => s + (p.madeApart ? 0 : p.count * of(p)), 0);
  const collarsG = sum((p) => p.collar?.value ?? 0);
  const massG = sum((p) => p.mass.value) + collarsG;
  const built = sum((p) => p.volumeMm3);
  const minutes = figure(coreMinutes, { volume: built, stabs: hand.coreStabsPerCm3, rate: hand.stabsPerMinute });
  if (c.skin && c.skin.pieces > w.skin.pieces && !w.body.board) {
    findings.push({
      id: 'form-core-apart',
      code: 'form-core-apart',
      stage: 'form',
      severity: 'caution',
      about: null,
      says: say`Under the coat the core falls into ${c.skin.pieces} pieces.`,
      why: say`Between them the coat is thicker than the animal, so there the fur has nothing to root in but the joint and the wire.`,
      remedies: [],
    });
  }
  if (c.undrawn) {
    findings.push({
      id: 'form-core-undrawn',
      code: 'form-core-undrawn',
      stage: 'form',
      severity: 'caution',
      about: null,
      says: say`The core under this coat could not be worked out.`,
      why: say`Its skin does not close at any fineness tried; all figures of the core are left out. A slightly thinner or thicker coat on one area usually helps.`,
      remedies: [],
    });
  }
  if (lot === null && massG > 0) findings.push(noWool(cupboard, massG));
  const operations = there ? [] : coreOperations(parts, lot, hand, minutes.value, built);
  return {
    result: {
      school: piece.core.school,
      skin: c.skin && { positions: c.skin.positions, normals: c.skin.normals, triangles: c.skin.triangles },
      undrawn: c.undrawn,
      volumeMm3: parts.reduce((v, p) => v + (p.madeApart ? 0 : p.count * p.volumeMm3), 0),
      there,
      parts,
      massG,
      leastG: sum((p) => p.leastG) + collarsG,
      mostG: sum((p) => p.mostG) + collarsG,
      collarsG,
      minutes,
      lotId: lot?.id ?? null,
    },
    findings,
    operations,
    work: {
      weights: w.body.parts.flatMap((b, i) => {
        const p = parts.find((x) => x.id === b.part.id);
        return p && shares.volume[i]! > 0 ? [{ massG: p.count * p.mass.value, at: shares.at[i]! }] : [];
      }),
    },
  };
}

/** No wool is chosen yet: its mass is in every total, its lot in none. */
function noWool(cupboard: Cupboard, massG: number): Finding {
  const able = findWools(cupboard.lots, { suits: coreForm, grams: massG });
  return {
    id: 'form-core-no-wool',
    code: 'form-core-no-wool',
    stage: 'form',
    severity: 'caution',
    about: null,
    says: say`No wool is chosen for the core: ${grams(massG)} of it are in no lot yet.`,
    why: say`They count in the wool of the piece, but nothing says which lot they come from and whether it suffices.`,
    remedies: able.slice(0, 3).map((l) => ({
      label: say`Use ${l.name}`,
      effect: say`${grams(l.haveG)} in the cupboard`,
      changes: [{ path: ['core', 'lotId'], value: l.id }],
    })),
  };
}

/** Carded wool tangles every way; combed wool makes a core with more needling (common practice). */
const coreForm = (form: Lot['form']): Suits =>
  form === 'carded batt' ? 'well' : form === 'combed top' || form === 'raw fleece' ? 'possible' : 'badly';

/** A collar is laid so thick over a joint, pressed down, mm. Ours. */
const COLLAR_MM = 1.5;

/** A part that takes fewer stabs than this is not felted by itself. Ours. */
const LEAST_STABS = 20;

const rootAcross = (b: BodyPart): number =>
  2 * (b.part.root === 'start' ? b.left[0]!.ra : b.left[b.left.length - 1]!.rb);

function coreOperations(
  parts: readonly CorePart[],
  lot: Cupboard['lots'][number] | null,
  hand: Hand,
  minutes: number,
  built: number,
): Operation[] {
  const common = {
    stage: 'form' as const,
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    tools: [],
    lightness: lot ? lightness(lot.colour) : 50,
    caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
  };
  const all = parts.filter((p) => p.volumeMm3 > 0 && !p.madeApart);
  const made = all.filter((p) => ((p.count * p.volumeMm3) / 1000) * hand.coreStabsPerCm3 >= LEAST_STABS);
  // What is too little to felt by itself is laid on with the collars.
  const tips = all.filter((p) => !made.includes(p));
  const rests = [
    SIZE,
    decided('the wool of the core', ['core', 'lotId']),
    decided('how the core gives way to the coat', ['core', 'school']),
  ];
  return [
    ...made.map((p): Operation => ({
      ...common,
      id: `core-${p.id}`,
      about: ref('part', p.id),
      kind: 'core',
      restsOn: [
        ...rests,
        decided('the shape of the part', ['form', 'parts', the(p.id)]),
        decided('how firm it is', ['core', 'soft', { by: 'part', is: p.id }]),
      ],
      does:
        p.count === 2
          ? say`Weigh out two lots of ${grams(p.mass.value)} and felt both of ${p.name} side by side, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}`
          : say`Felt ${p.name} from ${grams(p.mass.value)}, ${p.firmness}${p.length ? say`, ${mm(p.length.value)} long` : ''}`,
      materials: outOf(lot, p.count * p.mass.value, 'core'),
      needlework: feltPart(p.id, p.count * p.volumeMm3, hand.coreDensityMgCm3[p.firmness].usual, lot, hand),
      minutes: Math.max(1, (minutes * p.count * p.volumeMm3) / (built || 1)),
      after: [{ id: 'wire', why: say`The wire is bent first and wrapped.`, strength: Infinity }],
    })),
    ...(made.length > 0
      ? [
          {
            ...common,
            id: 'core-join',
            about: only('core'),
            kind: 'core' as const,
            restsOn: rests,
            does: say`Join the parts fringe to fringe, cover each joint with a collar${tips.length > 0 ? say`, lay on the little wool of ${joined(tips.map((p) => say`${p.name}`))}` : ''}, felt until it springs back when squeezed`,
            materials: [
              ...outOf(
                lot,
                all.reduce((s, p) => s + p.count * (p.collar?.value ?? 0), 0),
                'collar',
              ),
              ...outOf(
                lot,
                tips.reduce((s, p) => s + p.count * p.mass.value, 0),
                'core',
              ),
            ],
            needlework: joinParts(4 * made.reduce((s, p) => s + (p.collar ? p.count : 0), 0), COLLAR_MM, lot, hand),
            minutes: 4 * made.reduce((s, p) => s + (p.collar ? p.count : 0), 0),
            after: made.map((p) => ({
              id: `core-${p.id}`,
              why: say`Every part is made before it is joined.`,
              strength: Infinity,
            })),
          },
        ]
      : []),
  ];
}
