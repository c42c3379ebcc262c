/**
 * Small things as surfaces, for the finished picture and the turntable alike: bands, scarves and bows of felt where they lie on the coat,
 * baskets beside the animal, twig and base under its feet, the frame round a relief. Lengths mm.
 */
import { BARE_CORE } from '@/core/colour/bare';
import type { Triple } from '@/core/colour/lab';
import { linearOf } from '@/core/colour/rgb';
import { HANDLE } from '@/core/build/things/measure-things';
import { middleOf, twigWay } from '@/core/build/things/support';
import type { FramePlace, ThingPlan, WornPlace } from '@/core/build/things/thing-plan';
import { onThread, type Thread } from '@/core/build/things/thread';
import { add, cross, dot, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import { isFelted, type ThingOf, type Worn } from '@/core/piece/things';
import type { Plan } from '@/core/plan';
import { seeded } from '@/core/random';
import type { Surface } from './eye-solid';
import { emptySurface } from './eye-solid';

export interface ThingSolid {
  readonly id: string;
  readonly surface: Surface;
  readonly gloss: number;
  /** Light of the felt it is made of, for its fuzz; null for wood. */
  readonly fuzz: Triple | null;
}

/** Sawn wood, oiled. Ours. */
const WOOD_GLOSS = 0.06;
/** Felt is unevenly coloured by so much, wood by its grain. Ours. */
const MOTTLED = 0.06;
const GRAIN = 0.12;
/** Cut ends of a twig. Ours. */
const HEARTWOOD = linearOf('#d3b98d');

/** @returns what of it is drawn; nothing of what cannot be measured */
export function thingSolids(plan: Pick<Plan, 'things' | 'stands'>, cupboard: Pick<Cupboard, 'lots'>): ThingSolid[] {
  const { stands } = plan;
  const hangs = stands.case === 'hangs';
  const middle = stands.on?.middle ?? middleOf(stands.feet, stands.centre);
  const floor = stands.on?.baseId ? stands.on.topY : (stands.on?.level ?? stands.groundY);
  return plan.things.flatMap((p): ThingSolid[] => {
    const t = p.thing;
    const draw = new Drawing();
    if (isFelted(t)) {
      const light = linearOf(cupboard.lots.find((l) => l.id === t.lotId)?.colour ?? BARE_CORE);
      if (t.kind === 'basket') {
        if (hangs) return [];
        basket(draw, t, [middle[0] + t.leftMm, floor, middle[1] + t.forwardMm]);
      } else if (p.worn) worn(draw, t, p, p.worn);
      else return [];
      return [{ id: p.id, fuzz: light, gloss: 0, surface: draw.done(mottled(light)) }];
    }
    const wood = { id: p.id, fuzz: null, gloss: WOOD_GLOSS } as const;
    const light = linearOf(t.colour);
    if (t.kind === 'frame') {
      if (!p.framed) return [];
      return [{ ...wood, surface: frame(p.framed, t.profileMm, light) }];
    }
    if (hangs) return [];
    if (t.kind === 'twig') {
      const under = stands.on?.twigId === t.id;
      if (t.under && !under) return [];
      const at: Vec3 = under
        ? [middle[0], stands.on!.twigY!, middle[1]]
        : [middle[0] + t.leftMm, floor + t.acrossMm / 2, middle[1] + t.forwardMm];
      return [{ ...wood, gloss: 0, surface: twig(draw, t, at, light) }];
    }
    if (stands.on?.baseId !== t.id) return [];
    base(draw, t, stands.on.outline, middle, stands.on);
    return [{ ...wood, surface: draw.done(grained(light, [0, 0, 1])) }];
  });
}

type Paint = (at: Vec3) => Triple;

function mottled(light: Triple): Paint {
  const rnd = seeded(11);
  return () => {
    const k = 1 + MOTTLED * (2 * rnd() - 1);
    return [light[0] * k, light[1] * k, light[2] * k];
  };
}

/** Wood cut along its fibre: long dark lines that waver a little. */
function grained(light: Triple, along: Vec3): Paint {
  const side: Vec3 = Math.abs(along[0]) > 0.5 ? [0, 0, 1] : [1, 0, 0];
  return (at) => {
    const [l, s] = [dot(at, along), dot(at, side) + 0.35 * at[1]];
    const wave = s + 1.6 * Math.sin(l / 23) + 0.7 * Math.sin(l / 9 + s / 5);
    const k = 1 + GRAIN * (0.6 * Math.sin(wave * 1.7) + 0.4 * Math.sin(wave * 4.1 + 1));
    return [light[0] * k, light[1] * k, light[2] * k];
  };
}

/** Corners of surfaces as they are drawn, with the way out at each found from what meets there. */
class Drawing {
  readonly at: Vec3[] = [];
  readonly triangles: number[] = [];

  /** Rows of corners, each joined to the one before; round where each row closes on itself. */
  sheet(rows: readonly (readonly Vec3[])[], round: boolean): void {
    const first = this.at.length;
    const wide = rows[0]!.length;
    for (const r of rows) this.at.push(...r);
    for (let j = 0; j + 1 < rows.length; j++)
      for (let i = 0; i < (round ? wide : wide - 1); i++) {
        const [a, b] = [first + wide * j + i, first + wide * j + ((i + 1) % wide)];
        this.triangles.push(a, b, b + wide, a, b + wide, a + wide);
      }
  }

  done(paint: Paint): Surface {
    const s = emptySurface();
    const n = this.at.map((): [number, number, number] => [0, 0, 0]);
    const T = this.triangles;
    for (let t = 0; t < T.length; t += 3) {
      const [a, b, c] = [this.at[T[t]!]!, this.at[T[t + 1]!]!, this.at[T[t + 2]!]!];
      const out = cross(sub(b, a), sub(c, a));
      for (let k = 0; k < 3; k++) for (let q = 0; q < 3; q++) n[T[t + k]!]![q]! += out[q]!;
    }
    this.at.forEach((p, i) => {
      s.positions.push(...p);
      s.normals.push(...(norm(n[i]!) > 0 ? unit(n[i]!) : ([0, 1, 0] as const)));
      s.colour.push(...paint(p));
    });
    s.triangles.push(...T);
    return s;
  }
}

/** Round corners of a strip: across in shares of half its width, out in shares of its thickness. */
const EDGE: readonly (readonly [number, number])[] = [
  [-1, 0],
  [-1, 0.55],
  [-0.95, 0.9],
  [-0.8, 1],
  [-0.4, 1],
  [0, 1],
  [0.4, 1],
  [0.8, 1],
  [0.95, 0.9],
  [1, 0.55],
  [1, 0],
];
const ROUND = 144;

/** Place on a thread at a turn, so far off it, along and out. */
function offThread(th: Thread, deg: number, off: number): Vec3 {
  const [x, y] = onThread(th, deg);
  const l = Math.hypot(x, y) || 1;
  const k = (l + off) / l;
  return add(th.at, add(scale(th.out, k * x), scale(th.top, k * y)));
}

function worn(draw: Drawing, t: Worn, p: ThingPlan, place: WornPlace): void {
  if (t.kind === 'bow') return bow(draw, t, place);
  band(draw, t, p, place);
  if (t.kind === 'scarf') {
    for (const line of place.hanging) hanging(draw, line, t.wideMm, t.thicknessMm, t.fringeMm);
    knot(draw, place, [0.34 * t.wideMm, 0.5 * t.wideMm, 1.6 * t.thicknessMm]);
  }
}

/** A band round a part: thicker where one end lies on the other. */
function band(
  draw: Drawing,
  t: ThingOf<'collar'> | ThingOf<'scarf'>,
  p: ThingPlan,
  { threads }: Pick<WornPlace, 'threads'>,
): void {
  const [low, mid, high] = threads as [Thread, Thread, Thread];
  const off = Math.max(0, t.looserMm) / (2 * Math.PI);
  const lap = t.kind === 'collar' ? (360 * t.overlapMm) / p.girthMm! : 0;
  const rows = EDGE.map(([v, out]) =>
    Array.from({ length: ROUND }, (_, i): Vec3 => {
      const deg = (360 * i) / ROUND;
      const from = (((deg - t.aroundDeg) % 360) + 360) % 360;
      const thick = t.thicknessMm * (from < lap ? 2 : 1);
      const at = (th: Thread) => offThread(th, deg, off + out * thick);
      const [a, b, c] = [at(low), at(mid), at(high)];
      return v < 0 ? add(scale(b, 1 + v), scale(a, -v)) : add(scale(b, 1 - v), scale(c, v));
    }),
  );
  // Seen from outside, whichever way the part's own directions turn.
  const turned = dot(cross(mid.out, mid.axis), mid.top) < 0;
  draw.sheet(turned ? rows.reverse() : rows, true);
}

/** A strip along a line, as wide as it says at each place; both its faces and its edges. */
function strip(
  draw: Drawing,
  line: readonly { readonly at: Vec3; readonly outward: Vec3; readonly across: Vec3; readonly wide: number }[],
  thick: number,
): void {
  const section = [...EDGE, ...EDGE.slice(1, -1).map(([v, out]) => [-v, -out] as const)];
  draw.sheet(
    line
      .map(({ at, outward, across, wide }) =>
        section.map(([v, out]) => add(at, add(scale(across, (v * wide) / 2), scale(outward, (out * thick) / 2)))),
      )
      .reverse(),
    true,
  );
}

const LEAST_WIDE = 0.6;
/** Fringes stand so far apart at their tips, as a share of how wide they are. */
const SPREAD = 0.35;

/** What hangs down, cut into a fringe at its end. */
function hanging(draw: Drawing, line: WornPlace['hanging'][number], wide: number, thick: number, fringe: number): void {
  let left = line.slice(1).reduce((s, q, i) => s + norm(sub(q.at, line[i]!.at)), 0);
  const lies = line.map((q, i) => {
    if (i > 0) left -= norm(sub(q.at, line[i - 1]!.at));
    const along = unit(sub(line[Math.min(i + 1, line.length - 1)]!.at, line[Math.max(0, i - 1)]!.at));
    return { ...q, across: unit(cross(q.outward, along)), wide, left };
  });
  const whole = lies.filter((q) => q.left >= fringe - 1e-6);
  if (whole.length > 1) strip(draw, whole, thick);
  const cut = lies.filter((q) => q.left <= fringe + 2.1);
  if (fringe <= 0 || cut.length < 2) return;
  const n = Math.max(2, Math.round(wide / Math.max(1.6, 1.2 * thick)));
  for (let k = 0; k < n; k++) {
    const v = (k + 0.5) / n - 0.5;
    strip(
      draw,
      cut.map((q, i) => ({
        ...q,
        at: add(q.at, scale(q.across, wide * v * (1 + (SPREAD * i) / cut.length))),
        wide: Math.max(LEAST_WIDE, (0.8 * wide) / n),
      })),
      0.9 * thick,
    );
  }
}

/** Two directions along the coat at a seat: round the part, and along it. */
function seatFrame({ seat, outward, threads }: WornPlace): { at: Vec3; n: Vec3; a: Vec3; b: Vec3 } {
  const b = unit(sub(threads[1]!.axis, scale(outward, dot(threads[1]!.axis, outward))));
  return { at: seat, n: outward, a: unit(cross(b, outward)), b };
}

/** A ball pressed flat: half as large round the part, along it and outward. */
function knot(draw: Drawing, place: WornPlace, [wide, high, thick]: readonly [number, number, number]): void {
  const { at, n, a, b } = seatFrame(place);
  const rows = Array.from({ length: 15 }, (_, j) =>
    Array.from({ length: 24 }, (_, i): Vec3 => {
      const [p, q] = [Math.PI * (j / 14 - 0.5), (2 * Math.PI * i) / 24];
      const r = Math.cos(p) ** 0.7;
      return add(
        at,
        add(add(scale(a, wide * r * Math.cos(q)), scale(n, thick * r * Math.sin(q))), scale(b, high * Math.sin(p))),
      );
    }),
  );
  draw.sheet(rows.reverse(), true);
}

/** Loops stand so far out of the flat, as a share of how wide the bow is, and droop by so much. Ours. */
const LOOP = { deep: 0.13, droop: 0.1 } as const;

function bow(draw: Drawing, t: ThingOf<'bow'>, place: WornPlace): void {
  const { at, n, a, b } = seatFrame(place);
  // The end of the part that lies higher is up.
  const up = b[1] >= 0 ? b : scale(b, -1);
  const deep = LOOP.deep * t.acrossMm;
  for (const s of [-1, 1]) {
    const N = 40;
    const line = Array.from({ length: N + 1 }, (_, i) => {
      const u = i / N;
      const out = (1 - Math.cos(2 * Math.PI * u)) / 2;
      const tilt = Math.sin(2 * Math.PI * u);
      return {
        at: add(
          at,
          add(
            scale(a, (s * out * t.acrossMm) / 2),
            add(
              scale(n, 0.8 * t.thicknessMm + deep * (0.55 * out + 0.45 * tilt * Math.sqrt(out))),
              scale(up, -LOOP.droop * t.acrossMm * out * out),
            ),
          ),
        ),
        wide: t.highMm * (0.42 + 0.58 * Math.sin((Math.PI / 2) * Math.min(1, 1.5 * out))),
      };
    });
    strip(
      draw,
      line.map((q, i) => {
        const along = unit(sub(line[Math.min(i + 1, N)]!.at, line[Math.max(0, i - 1)]!.at));
        return { ...q, across: b, outward: unit(cross(along, b)) };
      }),
      t.thicknessMm,
    );
  }
  for (const line of place.hanging) hanging(draw, line, 0.7 * t.highMm, t.thicknessMm, 0);
  knot(draw, place, [0.2 * t.highMm, 0.26 * t.highMm, 0.8 * t.thicknessMm + 0.7 * deep]);
}

/** A line turned round the upright through a place: how far out and how high. */
function turnedRound(draw: Drawing, at: Vec3, line: readonly (readonly [number, number])[]): void {
  draw.sheet(
    line.map(([r, y]) =>
      Array.from({ length: ROUND / 2 }, (_, i): Vec3 => {
        const q = (-4 * Math.PI * i) / ROUND;
        return [at[0] + r * Math.cos(q), at[1] + y, at[2] + r * Math.sin(q)];
      }),
    ),
    true,
  );
}

const between = (a: number, b: number, n: number): number[] =>
  Array.from({ length: n + 1 }, (_, i) => a + ((b - a) * i) / n);

function basket(draw: Drawing, t: ThingOf<'basket'>, at: Vec3): void {
  const [b, r, h, w] = [t.bottomMm / 2, t.topMm / 2, t.highMm, t.thicknessMm];
  const wall = (y: number) => b + ((r - b) * y) / h;
  const inner = (y: number) => Math.max(0.1, wall(y) - w);
  turnedRound(draw, at, [
    [0.05, 0],
    [0.9 * b, 0],
    ...between(0, h, 10).map((y) => [wall(y) + (y === 0 ? -0.15 * w : 0), y] as const),
    [wall(h) - 0.15 * w, h + 0.3 * w],
    [wall(h) - 0.85 * w, h + 0.3 * w],
    ...between(h, Math.min(w, 0.5 * h), 8).map((y) => [inner(y), y] as const),
    [0.05, Math.min(w, 0.5 * h)],
  ]);
  if (!t.handle) return;
  const thick = (HANDLE.thick * w) / 2;
  const mid = r - w / 2;
  tube(
    draw,
    between(0, Math.PI, 36).map((q): Vec3 => [
      at[0] + mid * Math.cos(q),
      at[1] + h - HANDLE.into / 2 + mid * Math.sin(q),
      at[2],
    ]),
    () => thick,
    [0, 0, 1],
  );
}

/** A round cord or stick along a line. @param side a way that never runs along it */
function tube(draw: Drawing, line: readonly Vec3[], radius: (i: number, q: number) => number, side: Vec3): void {
  draw.sheet(
    line
      .map((p, i) => {
        const along = unit(sub(line[Math.min(i + 1, line.length - 1)]!, line[Math.max(0, i - 1)]!));
        const u = unit(cross(along, side));
        const v = cross(u, along);
        return Array.from({ length: 28 }, (_, k): Vec3 => {
          const q = (2 * Math.PI * k) / 28;
          return add(p, scale(add(scale(u, Math.cos(q)), scale(v, Math.sin(q))), radius(i, q)));
        });
      })
      .reverse(),
    true,
  );
}

/** How uneven bark is, and how much thinner a twig gets: shares of its radius. Ours. */
const BARK = { bumps: 0.05, knots: 0.14, taper: 0.18 } as const;

function twig(draw: Drawing, t: ThingOf<'twig'>, at: Vec3, light: Triple): Surface {
  const [dx, dz] = twigWay(t);
  const n = Math.max(20, Math.round(t.longMm / 1.5));
  const r = t.acrossMm / 2;
  const rnd = seeded(23);
  const knots = Array.from({ length: 5 }, () => ({ u: rnd(), q: 2 * Math.PI * rnd() }));
  const line = between(-0.5, 0.5, n).map((u): Vec3 => [at[0] + u * t.longMm * dx, at[1], at[2] + u * t.longMm * dz]);
  const radius = (i: number, q: number) => {
    const u = i / n;
    let k = 1 + BARK.taper * (0.5 - u) + BARK.bumps * Math.sin(5 * q + 9 * u) * Math.sin(31 * u + 2 * q);
    for (const x of knots) {
      const d = Math.hypot(((u - x.u) * t.longMm) / r, 2 * Math.sin((q - x.q) / 2));
      k += BARK.knots * Math.exp(-2 * d * d);
    }
    return r * k;
  };
  tube(draw, line, radius, [0, 1, 0]);
  const bark = grained(light, [dx, 0, dz]);
  const s = draw.done(bark);
  for (const end of [0, n]) disc(s, line[end]!, scale([dx, 0, dz], end === 0 ? -1 : 1), radius(end, 0) * 0.98);
  return s;
}

/** A cut end. */
function disc(s: Surface, at: Vec3, n: Vec3, radius: number): void {
  const first = s.positions.length / 3;
  const u = unit(cross(n, [0, 1, 0]));
  const v = cross(n, u);
  for (let i = 0; i <= 24; i++) {
    const q = (2 * Math.PI * i) / 24;
    const p = i === 24 ? at : add(at, scale(add(scale(u, Math.cos(q)), scale(v, Math.sin(q))), radius));
    s.positions.push(...p);
    s.normals.push(...n);
    s.colour.push(...HEARTWOOD);
  }
  for (let i = 0; i < 24; i++) s.triangles.push(first + i, first + ((i + 1) % 24), first + 24);
}

/** Its edge is broken by so much. */
const CHAMFER = 1.2;

function base(
  draw: Drawing,
  t: ThingOf<'base'>,
  outline: readonly (readonly [number, number])[],
  [mx, mz]: readonly [number, number],
  { level, topY }: { readonly level: number; readonly topY: number },
): void {
  // Corners close enough together for a shadow to fall across, anticlockwise from above or not as the outline has them.
  const around = outline.flatMap((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    const n = Math.max(1, Math.round(Math.hypot(q[0] - p[0], q[1] - p[1]) / 2));
    return Array.from({ length: n }, (_, k): [number, number] => [
      p[0] + ((q[0] - p[0]) * k) / n,
      p[1] + ((q[1] - p[1]) * k) / n,
    ]);
  });
  const least = Math.min(t.longMm, t.wideMm) / 2;
  const c = Math.min(CHAMFER, 0.3 * t.thickMm, 0.3 * least);
  const ring = (off: number, y: number): Vec3[] =>
    around.map(([x, z]) => {
      const k = 1 - off / least;
      return [mx + k * (x - mx), y, mz + k * (z - mz)];
    });
  const rings: [number, number][] = [
    [0.995 * least, level],
    [c, level],
    [0, level + c],
    [0, topY - c],
    [0.3 * c, topY - 0.3 * c],
    [c, topY],
    ...between(c, 0.995 * least, Math.max(6, Math.round(least / 1.6)))
      .slice(1)
      .map((o): [number, number] => [o, topY]),
  ];
  draw.sheet(rings.map(([off, y]) => ring(off, y)).reverse(), true);
}

/** Each bar by itself, from mitre to mitre. */
function frame(f: FramePlace, profile: number, light: Triple): Surface {
  const soft = Math.min(2.5, 0.25 * profile, 0.25 * (f.frontX - f.backX));
  // Out from the opening, and how far forward.
  const section: readonly (readonly [number, number])[] = [
    [0, f.backX],
    [0, f.frontX - soft],
    [0.3 * soft, f.frontX - 0.3 * soft],
    [soft, f.frontX],
    [profile / 2, f.frontX],
    [profile - soft, f.frontX],
    [profile - 0.3 * soft, f.frontX - 0.3 * soft],
    [profile, f.frontX - soft],
    [profile, f.backX],
    [0, f.backX],
  ];
  const [h, l] = [f.halfHigh, f.halfLong];
  const at = (y: number, z: number, x: number): Vec3 => [x, f.middle[1] + y, f.middle[2] + z];
  const sides: readonly ((o: number, u: number, x: number) => Vec3)[] = [
    (o, u, x) => at(h + o, u * (l + o), x),
    (o, u, x) => at(-h - o, -u * (l + o), x),
    (o, u, x) => at(-u * (h + o), l + o, x),
    (o, u, x) => at(u * (h + o), -l - o, x),
  ];
  return merged(
    sides.map((side, i) => {
      const draw = new Drawing();
      draw.sheet(
        between(-1, 1, 60).map((u) => section.map(([o, x]) => side(o, u, x))),
        false,
      );
      return draw.done(grained(light, i < 2 ? [0, 0, 1] : [0, 1, 0]));
    }),
  );
}

/** Several surfaces as one. */
function merged(all: readonly Surface[]): Surface {
  const s = emptySurface();
  for (const x of all) {
    const first = s.positions.length / 3;
    s.positions.push(...x.positions);
    s.normals.push(...x.normals);
    s.colour.push(...x.colour);
    for (const t of x.triangles) s.triangles.push(first + t);
  }
  return s;
}
