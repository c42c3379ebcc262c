/**
 * The core under the coat as a maker builds it: its skin, what every part of it weighs and measures, how long to make a
 * limb before it is joined, and what stops it: parts the coat would swallow.
 */
import { both, timeFigure } from '@/core/time/work-time';
import { partDistance } from '@/core/geometry/field';
import { scale as times, type Vec3 } from '@/core/geometry/vec';
import { BARE_CORE } from '@/core/colour/bare';
import { figure } from '@/core/method/define';
import { spanOfFigure, spanOfSum } from '@/core/method/span';
import { knownOfHand } from '@/core/piece/hand-known';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Context, Finding, Stage } from '@/core/stage';
import { grams, say } from '@/core/text';
import { findWools } from '@/core/wool/find';
import type { Suits } from '@/core/wool/forms';
import type { BodyPart } from '@/core/form/body';
import { nearestParts, type FormWork } from '@/core/form/form';
import { collarMass, coreMass, fringeLength, limbLength, looseVolume, wrapMass } from './core-methods';
import { lostUnder, swallowed } from './core-findings';
import { underFur } from './under-fur';
import { strandsOf, wireOf, wireThick, wrappedAcross } from './wire';
import type { CorePart, CorePlan } from './core-plan';
import { sectionsOf, type Section } from './core-sections';
import { coreSkin, evenLoft, type CoreSkin } from './core-skin';
import { coreOperations } from './core-work';
import { firmnessOf } from './firmness';
import { joining, rootAcross } from './joining';

export const workCore = (w: FormWork, asked: Float64Array): CoreSkin => coreSkin(w.skin, evenLoft(w.skin, asked));

/** What is measured of a core whatever it is made of: volume and middle by part, what the coat takes of it, every part cut across. */
const measuredCore = (w: FormWork, c: CoreSkin) => ({
  ...sharedOut(w, c),
  lost: lostUnder(w, c),
  sections: w.body.parts.map((b) => (b.part.shape === 'board' ? [] : sectionsOf(w, c, b))),
});

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

/** Across a part at the thickest of its marks, as drawn, mm; at its root where it is cut at none. */
const thickestAcross = (b: BodyPart, sections: readonly Section[]): number =>
  Math.max(0, ...sections.map((s) => Math.max(s.finished.width, s.finished.height))) || rootAcross(b);

/** Mean thickness of the coat over every part, mm. */
function furByPart(w: FormWork, thickness: Float64Array): number[] {
  const part = nearestParts(w);
  const sum = new Float64Array(w.body.parts.length);
  const n = new Float64Array(w.body.parts.length);
  thickness.forEach((t, v) => {
    sum[part[v]!]! += t;
    n[part[v]!]!++;
  });
  return Array.from(sum, (s, p) => s / (n[p] || 1));
}

/** One part of the core as it is built by itself. */
function partOf(
  { piece, cupboard, hand }: Pick<Context, 'piece' | 'cupboard' | 'hand'>,
  w: FormWork,
  index: number,
  bothMm3: number,
  sections: readonly Section[],
  furMm: number,
): CorePart {
  const b = w.body.parts[index]!;
  const under = underFur(piece, b.part);
  const firmness = firmnessOf(piece, b.part);
  const count = b.part.mirrored ? 2 : 1;
  const volumeMm3 = bothMm3 / count;
  const density = hand.coreDensityMgCm3[firmness];
  const mass = figure(coreMass, { volume: volumeMm3, density: density.usual });
  const { inside, bend } = joining(w.body, b);
  const across = rootAcross(b);
  const fringe = b.part.on === null ? null : figure(fringeLength, { across });
  return {
    id: b.part.id,
    name: b.part.name,
    firmness,
    under,
    withFurMm: under === 'as drawn' ? thickestAcross(b, sections) + 2 * furMm : null,
    wrappedMm: under === 'wrapped wire' ? wrappedAcross(piece, cupboard) : null,
    wrap:
      under === 'wrapped wire' && strandsOf(piece) > 0
        ? figure(wrapMass, {
            across: wrappedAcross(piece, cupboard),
            wire: strandsOf(piece) * wireThick(piece, wireOf(piece, cupboard)),
            length: b.lengthMm,
            density: density.usual,
          })
        : null,
    madeApart: piece.flatParts.some((f) => f.id === b.part.id),
    count,
    volumeMm3,
    mass,
    span: spanOfFigure(coreMass, mass, knownOfHand(hand)) ?? { low: 0, likely: 0, high: 0 },
    loose: figure(looseVolume, { mass: mass.value, density: hand.looseDensityMgCm3 }),
    length: b.part.on === null ? null : figure(limbLength, { visible: b.lengthMm - inside, inside, bend }),
    fringe,
    collar: fringe && figure(collarMass, { across, fringe: fringe.value }),
    axisMm: b.lengthMm,
    sections,
  };
}

export function planCore(
  { piece, cupboard, hand, memo }: Context,
  {
    work: w,
    inside: c,
    thickness,
  }: { readonly work: FormWork; readonly inside: CoreSkin; readonly thickness: Float64Array },
): Stage<CorePlan> {
  const shares = memo.keep('core-measures', [w, c], measuredCore);
  const fur = furByPart(w, thickness);
  const across = w.body.parts.map((b, i) => thickestAcross(b, shares.sections[i]!));
  const findings = swallowed(piece, cupboard, w, shares.lost, across, fur);
  const lot = cupboard.lots.find((l) => l.id === piece.core.lotId) ?? null;
  // An own base brought in as the finished core is there already: nothing of it is felted.
  const there = piece.form.scan?.role === 'core';
  const parts = w.body.parts.flatMap((b, i) =>
    b.part.shape === 'board'
      ? []
      : [partOf({ piece, cupboard, hand }, w, i, shares.volume[i]!, shares.sections[i]!, fur[i]!)],
  );
  const known = knownOfHand(hand);
  const sum = (of: (p: CorePart) => number) =>
    there ? 0 : parts.reduce((s, p) => s + (p.madeApart ? 0 : p.count * of(p)), 0);
  const collarsG = sum((p) => p.collar?.value ?? 0);
  const wrapsG = sum((p) => p.wrap?.value ?? 0);
  const massG = sum((p) => p.mass.value) + collarsG + wrapsG;
  findings.push(...ofSkin(w, c));
  if (lot === null && massG > 0) findings.push(noWool(cupboard, massG));
  const operations = there ? [] : coreOperations(parts, lot, cupboard, hand);
  return {
    result: {
      school: piece.core.school,
      skin: c.skin && { positions: c.skin.positions, normals: c.skin.normals, triangles: c.skin.triangles },
      depth: c.loft,
      undrawn: c.undrawn,
      volumeMm3: parts.reduce((v, p) => v + (p.madeApart ? 0 : p.count * p.volumeMm3), 0),
      there,
      parts,
      massG,
      span: spanOfSum([
        { amount: massG - collarsG, doubts: [{ name: 'core', about: '', known }] },
        { amount: collarsG, doubts: [{ name: 'joint', about: '', known }] },
      ]),
      collarsG,
      wrapsG,
      minutes: timeFigure(hand, both(...operations.map((o) => o.work))),
      lotId: lot?.id ?? null,
      weights: w.body.parts.flatMap((b, i) => {
        const p = parts.find((x) => x.id === b.part.id);
        return p && shares.volume[i]! > 0 ? [{ massG: p.count * p.mass.value, at: shares.at[i]! }] : [];
      }),
    },
    findings,
    operations,
    ties: [],
  };
}

/** A core that falls apart under its coat, or whose skin could not be found. */
function ofSkin(w: FormWork, c: CoreSkin): Finding[] {
  const findings: Finding[] = [];
  // Leaves are felted apart and seated: each may lie by itself under the coat.
  const leaves = w.body.parts.reduce((n, b) => n + (b.leaf ? (b.right ? 2 : 1) : 0), 0);
  if (c.skin && c.skin.pieces > w.skin.pieces + leaves && !w.body.board) {
    findings.push({
      id: 'form-core-apart',
      code: 'form-core-apart',
      stage: 'form',
      severity: 'caution',
      about: null,
      says: say`Under the coat the core falls into ${c.skin.pieces - leaves} pieces.`,
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
  return findings;
}

/** No wool is chosen yet: its mass is in every total, its lot in none. Undyed wool is offered first. */
function noWool(cupboard: Cupboard, massG: number): Finding {
  const able = findWools(cupboard.lots, { near: BARE_CORE, suits: coreForm, grams: massG });
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
