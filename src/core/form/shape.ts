/**
 * Shaping the drawn animal: a part made longer, thicker or thinner, a pad added, a part taken away. What sits on a part
 * goes along with the place it sits on, and the scale stays as it was, so a longer tail makes a longer animal and
 * nothing else changes. Everything here takes a form and gives a new one; nothing is changed in place.
 */
import { add, dot, flatten, norm, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { ROUND, sectionAt, type Section } from '@/core/geometry/oval-cone';
import { withoutParts } from '@/core/piece/without-parts';
import { intoRange } from '@/core/piece/fields';
import { sectionSchema, type Joint, type Part, type Piece } from '@/core/piece/schema';
import { drawnExtents, drawnLength } from './body';
import { isLeaf } from './leaf';
import { meanRadius, nearestOn, nodesOf, outOf, rootNode, topOf, type PartNode } from './pose';

export type Form = Piece['form'];

/** How far a part may leave its body plan and still be that animal: shares of the plan's measure. Ours. */
const LEAST = 0.4;
const MOST = 2.5;

type Triple = [number, number, number];
const triple = (v: Vec3): Triple => [tidy(v[0]), tidy(v[1]), tidy(v[2])];
const tidy = (x: number): number => Math.round(x * 1000) / 1000;

/** A new form with these parts and the same millimetres per drawn unit. */
export function keepScale(form: Form, parts: Part[]): Form {
  const k = drawnLength(parts) / drawnLength(form.parts);
  return { ...form, parts, finishedLengthMm: form.finishedLengthMm * k, lifeLengthMm: form.lifeLengthMm * k };
}

/** Length of a part's axis in drawn units. */
export function partLength(part: Part): number {
  const n = nodesOf(part);
  return n.slice(1).reduce((s, x, i) => s + norm(sub(x.at, n[i]!.at)), 0);
}

function withNodes(part: Part, at: readonly Vec3[]): Part {
  if (part.shape === 'limb') return { ...part, nodes: part.nodes.map((n, i) => ({ ...n, at: triple(at[i]!) })) };
  if (part.shape === 'pad') return { ...part, start: triple(at[0]!), end: triple(at[1]!) };
  return { ...part, at: triple(times(add(at[0]!, at[1]!), 0.5)), halfLength: norm(sub(at[0]!, at[1]!)) / 2 };
}

/** Half width and half height of a part between two of its places, in drawn units: over it or under it. */
function semiBetween(a: PartNode, b: PartNode, t: number, up: number): { wide: number; high: number } {
  const r = Math.max(a.radius + t * (b.radius - a.radius), 1e-6);
  if (a.section === ROUND && b.section === ROUND) return { wide: r, high: r };
  const e = sectionAt(a.section, b.section, t);
  return { wide: e.wide * r, high: (up >= 0 ? e.over : e.under) * r };
}

/** A place by a chain of places: along it and out from it in its own half width and height. Used to carry along what sits there. */
function seat(part: Part, p: Vec3): { stretch: number; t: number; up: number; out: number; on: number } {
  const n = nodesOf(part);
  const { stretch, t } = nearestOn(n, p);
  const a = n[stretch]!;
  const b = n[stretch + 1]!;
  const axis = unit(sub(b.at, a.at));
  const off = sub(p, add(a.at, times(sub(b.at, a.at), t)));
  const flat = flatten(off, axis);
  const top = topOf(axis);
  const up = dot(flat, top);
  const { wide, high } = semiBetween(a, b, t, up);
  return { stretch, t, up: up / high, out: dot(flat, outOf(axis, top)) / wide, on: dot(off, axis) };
}

function placed(part: Part, s: ReturnType<typeof seat>): Vec3 {
  const n = nodesOf(part);
  const a = n[s.stretch]!;
  const b = n[s.stretch + 1]!;
  const axis = unit(sub(b.at, a.at));
  const { wide, high } = semiBetween(a, b, s.t, s.up);
  const top = topOf(axis);
  return [
    times(sub(b.at, a.at), s.t),
    times(top, s.up * high),
    times(outOf(axis, top), s.out * wide),
    times(axis, s.on),
  ].reduce((p: Vec3, v) => add(p, v), a.at);
}

/** Puts a changed part in place and carries along all that sits on it, part by part outwards. */
function changed(parts: readonly Part[], next: Part): Part[] {
  const before = parts.find((p) => p.id === next.id)!;
  const out = new Map(parts.map((p) => [p.id, p]));
  out.set(next.id, next);
  const carry = (id: string, was: Part, is: Part) => {
    for (const child of parts.filter((p) => p.on === id)) {
      const root = rootNode(child).at;
      const shift = sub(placed(is, seat(was, root)), root);
      const moved = withNodes(
        child,
        nodesOf(child).map((n) => add(n.at, shift)),
      );
      out.set(child.id, moved);
      carry(child.id, child, moved);
    }
  };
  carry(next.id, before, next);
  return parts.map((p) => out.get(p.id)!);
}

/** Makes a part so many millimetres long, from where it is rooted outwards. */
export function setPartLength(form: Form, id: string, mm: number): Form {
  const part = form.parts.find((p) => p.id === id)!;
  const k = mm / (partLength(part) * unitMm(form));
  const root = rootNode(part).at;
  const next = withNodes(
    part,
    nodesOf(part).map((n) => add(root, times(sub(n.at, root), k))),
  );
  return keepScale(form, changed(form.parts, next));
}

/** Where the root of a part sits on the one it grows out of, degrees round it from its top; null where it grows out of none. */
export function roundOn(parts: readonly Part[], part: Part): number | null {
  const on = parts.find((p) => p.id === part.on);
  if (!on) return null;
  const { up, out } = seat(on, rootNode(part).at);
  return (Math.abs(Math.atan2(out, up)) * 180) / Math.PI;
}

/** Moves a part round the one it grows out of, as far out and as far along as it sits, and turned with it. */
export function moveRound(form: Form, id: string, roundDeg: number): Form {
  const part = form.parts.find((p) => p.id === id)!;
  const on = form.parts.find((p) => p.id === part.on);
  if (!on) return form;
  const root = rootNode(part).at;
  const s = seat(on, root);
  const far = Math.hypot(s.up, s.out);
  const side = s.out < 0 ? -1 : 1;
  const a = (roundDeg * Math.PI) / 180;
  const to = placed(on, { ...s, up: far * Math.cos(a), out: side * far * Math.sin(a) });
  const n = nodesOf(on);
  const axis = unit(sub(n[s.stretch + 1]!.at, n[s.stretch]!.at));
  const top = topOf(axis);
  const out = outOf(axis, top);
  const by = side * a - Math.atan2(s.out, s.up);
  const turn = (v: Vec3): Vec3 => {
    const [u, w] = [dot(v, top), dot(v, out)];
    return [
      times(axis, dot(v, axis)),
      times(top, u * Math.cos(by) - w * Math.sin(by)),
      times(out, u * Math.sin(by) + w * Math.cos(by)),
    ].reduce((x: Vec3, y) => add(x, y), [0, 0, 0]);
  };
  const next = withNodes(
    part,
    nodesOf(part).map((x) => add(to, turn(sub(x.at, root)))),
  );
  return keepScale(form, changed(form.parts, next));
}

/** The thicknesses of a part that can be set: at each place of a limb, width and height where it is oval there; of a pad; of a board. */
export interface Thickness {
  readonly key: string;
  readonly says: string;
  /** Across, in drawn units. */
  readonly across: number;
}

export function thicknessesOf(part: Part): Thickness[] {
  if (part.shape === 'pad') {
    return [
      { key: 'width', says: 'wide', across: 2 * part.halfWidth },
      { key: 'height', says: isLeaf(part) ? 'the sheet' : 'high', across: 2 * part.halfHeight },
    ];
  }
  if (part.shape === 'board') {
    return [
      { key: 'height', says: 'high', across: 2 * part.halfHeight },
      { key: 'thick', says: 'thick', across: part.thickness },
    ];
  }
  return part.nodes.flatMap((n, i) => {
    const says = placeSays(part, i);
    return n.section
      ? [
          { key: `${i} wide`, says: `from side to side ${says}`, across: 2 * n.radius * n.section.wide },
          {
            key: `${i} high`,
            says: `from top to bottom ${says}`,
            across: n.radius * (n.section.over + n.section.under),
          },
        ]
      : [{ key: String(i), says, across: 2 * n.radius }];
  });
}

type Limb = Extract<Part, { shape: 'limb' }>;

/** A place along a limb in words. */
export function placeSays(part: Limb, i: number): string {
  const last = part.nodes.length - 1;
  return i === 0 ? 'at its start' : i === last ? 'at its end' : `at ${Math.round((100 * i) / last)} %`;
}

/** A measure of a section kept in what a file may hold. */
const ofRadius = (x: number): number => intoRange(sectionSchema.shape.wide, Math.round(x * 1e4) / 1e4);

function withSection(part: Limb, i: number, change: (r: number, s: Section) => Partial<Section>): Limb {
  return {
    ...part,
    nodes: part.nodes.map((n, k) => {
      if (k !== i) return n;
      const s = n.section ?? ROUND;
      const to = { ...s, ...change(n.radius, s) };
      return { ...n, section: { wide: ofRadius(to.wide), over: ofRadius(to.over), under: ofRadius(to.under) } };
    }),
  };
}

/** Makes all places of a limb oval, to begin with as they are, or round again with the same area across. */
export function setOval(form: Form, id: string, oval: boolean): Form {
  const part = form.parts.find((p) => p.id === id)!;
  if (part.shape !== 'limb') return form;
  const next: Limb = {
    ...part,
    nodes: part.nodes.map(({ at, radius, section }) =>
      oval
        ? { at, radius, section: section ?? { ...ROUND } }
        : { at, radius: section ? tidy(meanRadius({ at: at as Vec3, radius, section })) : radius },
    ),
  };
  return keepScale(form, changed(form.parts, next));
}

/** Share of the height of an oval place that lies under its middle, 0.5 where it is evenly round. */
export const MIDDLE = { min: 0.2, max: 0.8 } as const;
export const middleOf = ({ over, under }: Section): number => under / (over + under);

/** Sets where the middle of an oval place sits, its height as it was. */
export function setMiddle(form: Form, id: string, i: number, share: number): Form {
  const part = form.parts.find((p) => p.id === id)!;
  if (part.shape !== 'limb') return form;
  const next = withSection(part, i, (_, s) => ({
    over: (s.over + s.under) * (1 - share),
    under: (s.over + s.under) * share,
  }));
  return keepScale(form, changed(form.parts, next));
}

function limbThickness(part: Limb, key: string, half: number): Limb {
  const [i, which] = key.split(' ');
  if (which === undefined)
    return { ...part, nodes: part.nodes.map((n, k) => (String(k) === i ? { ...n, radius: half } : n)) };
  return withSection(part, Number(i), (r, s) =>
    which === 'wide'
      ? { wide: half / r }
      : {
          over: ((half / r) * 2 * s.over) / (s.over + s.under),
          under: ((half / r) * 2 * s.under) / (s.over + s.under),
        },
  );
}

/** Makes a part so many millimetres across at one of its thicknesses. */
export function setThickness(form: Form, id: string, key: string, mm: number): Form {
  const part = form.parts.find((p) => p.id === id)!;
  const half = tidy(mm / 2 / unitMm(form));
  const next: Part =
    part.shape === 'limb'
      ? limbThickness(part, key, half)
      : part.shape === 'pad'
        ? { ...part, ...(key === 'width' ? { halfWidth: half } : { halfHeight: half }) }
        : { ...part, ...(key === 'thick' ? { thickness: 2 * half } : { halfHeight: half }) };
  return keepScale(form, changed(form.parts, next));
}

/** Millimetres per drawn unit. */
export const unitMm = (form: Pick<Form, 'parts' | 'finishedLengthMm'>): number =>
  form.finishedLengthMm / drawnLength(form.parts);

/** What a measure of a part may be, mm: near its body plan where the plan has the part, within the animal otherwise. */
export function limits(form: Form, drawn: number, planned: number | undefined): { min: number; max: number } {
  const k = unitMm(form);
  const base = planned ?? drawn;
  return { min: Math.max(LEAST * base, 2) * k, max: Math.min(MOST * base, 1900) * k };
}

/** Bends a joint of a part; a bend of nothing is taken out again. */
export function setBend(
  form: Form,
  at: Pick<Joint, 'part' | 'node' | 'side'>,
  bend: Pick<Joint, 'nodDeg' | 'turnDeg' | 'tiltDeg'>,
): Form {
  const rest = form.pose.filter((j) => !(j.part === at.part && j.node === at.node && j.side === at.side));
  const still = bend.nodDeg === 0 && bend.turnDeg === 0 && bend.tiltDeg === 0;
  return { ...form, pose: still ? rest : [...rest, { ...at, ...bend }] };
}

/** Joints of a part that can be bent: its root, and between for a limb. Its free end has nothing beyond it. */
export function jointsOf(part: Part): number[] {
  if (part.shape === 'board') return [];
  const n = nodesOf(part).length;
  const all = Array.from({ length: n }, (_, i) => i);
  return part.root === 'start' ? all.slice(0, -1) : all.slice(1).reverse();
}

/** Pads a maker adds over a part: where they go and how large, in radii of the part. */
export const PADS = {
  thigh: { name: 'Thigh', along: 0.18, up: 0, out: 0.55, long: 1.5, wide: 0.6, high: 0.95 },
  cheek: { name: 'Cheek', along: 0.62, up: -0.35, out: 0.72, long: 0.85, wide: 0.42, high: 0.55 },
  brow: { name: 'Brow', along: 0.36, up: 0.72, out: 0.42, long: 0.6, wide: 0.3, high: 0.22 },
  muzzle: { name: 'Muzzle pad', along: 0.12, up: -0.1, out: 0.5, long: 0.7, wide: 0.5, high: 0.5 },
} as const;
export type PadKind = keyof typeof PADS;

/** Adds a pair of pads over a part. @returns the new form and the name of the pad */
export function addPad(form: Form, on: string, kind: PadKind): { form: Form; id: string } {
  const base = form.parts.find((p) => p.id === on)!;
  const { name, along, up, out, long, wide, high } = PADS[kind];
  const n = nodesOf(base);
  const total = partLength(base);
  let from = along * total;
  let i = 0;
  while (i < n.length - 2 && from > norm(sub(n[i + 1]!.at, n[i]!.at))) {
    from -= norm(sub(n[i + 1]!.at, n[i]!.at));
    i++;
  }
  const a = n[i]!;
  const b = n[i + 1]!;
  const t = from / norm(sub(b.at, a.at));
  const r = a.radius + t * (b.radius - a.radius);
  const axis = unit(sub(b.at, a.at));
  const middle = placed(base, { stretch: i, t, up, out, on: 0 });
  const half = times(axis, long * r);
  let id = `${kind}-${on}`.slice(0, 60);
  for (let k = 2; form.parts.some((p) => p.id === id); k++) id = `${kind}-${on}`.slice(0, 56) + `-${k}`;
  const same = form.parts.filter((p) => p.name.startsWith(name)).length;
  const pad: Part = {
    id,
    name: same > 0 ? `${name} ${same + 1}` : name,
    role: 'other',
    shape: 'pad',
    mirrored: true,
    blend: tidy(Math.min(40, r * 0.4)),
    lie: base.lie,
    on,
    root: 'end',
    start: triple(sub(middle, half)),
    end: triple(add(middle, half)),
    halfWidth: tidy(Math.max(wide * r, 2)),
    halfHeight: tidy(Math.max(high * r, 2)),
  };
  return { form: keepScale(form, [...form.parts, pad]), id };
}

/** A part and all that sits on it. */
function withAllOn(parts: readonly Part[], id: string): string[] {
  return [id, ...parts.filter((p) => p.on === id).flatMap((p) => withAllOn(parts, p.id))];
}

/** Takes a part away with all that sits on it, out of the pose and the areas too. The part all stands on stays. */
export function removePart(piece: Piece, id: string): Piece {
  if (piece.form.parts.find((p) => p.id === id)?.on === null) return piece;
  const gone = new Set(withAllOn(piece.form.parts, id));
  return {
    ...withoutParts(piece, (p) => gone.has(p)),
    form: {
      ...keepScale(
        piece.form,
        piece.form.parts.filter((p) => !gone.has(p.id)),
      ),
      pose: piece.form.pose.filter((j) => !gone.has(j.part)),
    },
    flatParts: piece.flatParts.map((f) => (f.seat !== null && gone.has(f.seat) ? { ...f, seat: null } : f)),
    core: {
      ...piece.core,
      soft: piece.core.soft.filter((s) => !gone.has(s.part)),
      under: piece.core.under.filter((u) => !gone.has(u.part)),
    },
  };
}

/** The measure a maker states the size by, in drawn units: the whole animal, or the length of a part. */
function statedMeasure(parts: readonly Part[], by: string, extents: { min: Vec3; max: Vec3 }): number {
  if (by === 'height') return extents.max[1] - extents.min[1];
  if (by === 'width') return extents.max[0] - extents.min[0];
  const part = parts.find((p) => p.id === by);
  return part ? partLength(part) : extents.max[2] - extents.min[2];
}

/** Measures a maker can state the size by. */
export const measuresOf = (parts: readonly Part[]): { id: string; says: string }[] => [
  { id: 'length', says: 'length, nose to tail' },
  { id: 'height', says: 'height, feet to highest point' },
  { id: 'width', says: 'width' },
  ...parts.filter((p) => p.shape !== 'board').map((p) => ({ id: p.id, says: `length of ${p.name.toLowerCase()}` })),
];

/** The stated measure as a share of the drawn animal's length from nose to tail. */
export const statedShare = (parts: readonly Part[], by: string): number =>
  statedMeasure(parts, by, drawnExtents(parts)) / drawnLength(parts);
