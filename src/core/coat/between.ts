/** Judgement across areas: fur that points into an eye, corners between two lies, sorted locks that do not suffice. */
import { ref } from '@/core/ref';
import { placeAt } from '@/core/form/places';
import type { Body } from '@/core/form/body';
import { plainArea } from '@/core/form/area-edits';
import { MOST_PILES, type Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Remedy } from '@/core/stage';
import { count, degrees, joined, mm, say } from '@/core/text';
import { bows } from '@/core/coat/techniques/bows/bows';
import type { ShapedAreas } from './coat-plan';
import type { Corner } from '@/core/coat/rows/corners';
import { CLOSEST_MM } from './judgement';
import { allotLocks, type SharedLocks } from '@/core/coat/techniques/locks/lock-allotment';
import type { Overhang } from '@/core/coat/rows/neighbours';
import type { Lay } from './way';
import { feltedFlat } from './picture/pile';
import { wayOf } from './ways';
import { longestLength } from '@/core/coat/techniques/fold-over/fold-over-lay';

interface ShortOf {
  readonly area: Piece['areas'][number];
  readonly count: number;
  readonly needMm: number;
  readonly widestMm: number;
}

/**
 * Sorted locks for every area that is short of them, entered as piles: shared out over all areas, locks for one would go where they are
 * seen most. In halves of a mm, so that what is entered serves.
 */
function found(lot: Cupboard['lots'][number], short: readonly ShortOf[]): Remedy[] {
  if (lot.piles.length + short.length > MOST_PILES) return [];
  const piles = short.map((s) => ({
    lengthMm: Math.min(400, Math.ceil(2 * s.needMm) / 2),
    widthMm: Math.max(0.5, Math.min(Math.floor(2 * s.widestMm) / 2, lot.piles[0]?.widthMm ?? 4)),
    count: Math.min(5000, Math.ceil(s.count)),
    grade: 'plain' as const,
  }));
  return [
    {
      label: say`I have found the ${count(piles.reduce((s, p) => s + p.count, 0))} that are missing`,
      effect: say`entered for ${lot.name}: ${joined(piles.map((p) => say`${count(p.count)} of ${mm(p.lengthMm)}`))}`,
      changes: [],
      enters: [{ lotId: lot.id, morePiles: piles }],
    },
  ];
}

/** Locks of lots with counted piles, shared out over all areas that draw on them. */
export function locksShared(
  piece: Piece,
  cupboard: Cupboard,
  lays: readonly (Lay | null)[],
): { shared: SharedLocks[]; findings: Finding[] } {
  const shared: SharedLocks[] = [];
  const findings: Finding[] = [];
  for (const lot of cupboard.lots) {
    if (lot.piles.length === 0) continue;
    const seats = piece.areas.flatMap((a, i) =>
      a.coat.method !== 'none' && a.coat.lotId === lot.id ? (lays[i]?.seats ?? []) : [],
    );
    if (seats.length === 0) continue;
    const allotment = allotLocks(lot.piles, seats);
    shared.push({ lotId: lot.id, lotName: lot.name, piles: lot.piles, allotment });
    const short = piece.areas.flatMap((area): ShortOf[] => {
      const missing = allotment.short.filter((s) => s.areaId === area.id).reduce((s, x) => s + x.count, 0);
      const mine = seats.filter((s) => s.areaId === area.id);
      return missing === 0
        ? []
        : [
            {
              area,
              count: missing,
              needMm: Math.max(...mine.map((s) => s.needMm)),
              widestMm: Math.min(...mine.map((s) => s.widestMm)),
            },
          ];
    });
    for (const { area, count: missing, needMm, widestMm } of short)
      findings.push({
        id: `coat-locks-short-${area.id}`,
        code: 'coat-locks-short',
        stage: 'coat',
        severity: 'caution',
        about: ref('area', area.id),
        says: say`${count(missing)} locks are missing for ${area.name}.`,
        why: say`The sorted piles of ${lot.name} hold too few locks at least ${mm(needMm)} long${widestMm < 1e5 ? say` and at most ${mm(widestMm)} wide, which the tightest ring wants,` : ''} once the places most seen are served. Sort more, set them further apart, or open them.`,
        remedies: found(lot, short),
      });
  }
  return { shared, findings };
}

/** Lengths along the skin within which a fibre of an area reaches an eye it points at. */
function pointsInto(lay: Lay, eyes: readonly (readonly [number, number, number])[]): boolean {
  const reach = Math.max(lay.pile.hemMm, lay.pile.topMm);
  if (reach < 2) return false;
  for (const r of lay.rows.rows) {
    for (const p of r.pieces) {
      for (let i = 0; i < p.points.length; i += 3) {
        for (const e of eyes) {
          const d = [e[0] - p.points[i]!, e[1] - p.points[i + 1]!, e[2] - p.points[i + 2]!];
          const l = Math.hypot(d[0]!, d[1]!, d[2]!);
          if (l > reach || l < 1e-6) continue;
          if ((d[0]! * p.lie[i]! + d[1]! * p.lie[i + 1]! + d[2]! * p.lie[i + 2]!) / l > 0.9) return true;
        }
      }
    }
  }
  return false;
}

export function betweenAreas(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  body: Body,
  shaped: Pick<ShapedAreas, 'shapes' | 'corners' | 'overhangs'>,
  lays: readonly (Lay | null)[],
): Finding[] {
  const out: Finding[] = [];
  // Eyes of the face are judged with it; without a face, places fur points away from stand for them.
  const eyes = piece.face ? [] : shaped.shapes.flatMap((s) => s?.away ?? []);
  if (eyes.length > 0) {
    piece.areas.forEach((area, i) => {
      const lay = lays[i];
      if (!lay || area.awayFrom !== null || !pointsInto(lay, eyes)) return;
      out.push({
        id: `coat-into-eye-${area.id}`,
        code: 'coat-into-eye',
        stage: 'coat',
        severity: 'caution',
        about: ref('area', area.id),
        says: say`Fur of ${area.name} reaches into the eye.`,
        why: say`It points at the eye and is long enough to get there; no fibre may point into an eye. Comb it past, shorten it, or let it point away.`,
        remedies: [
          {
            label: say`Let it point away from the eye`,
            effect: say`its rows run round the eye`,
            changes: [
              {
                path: ['areas', i, 'awayFrom'],
                value: piece.areas.find((a) => a.awayFrom !== null)!.awayFrom,
              },
            ],
          },
        ],
      });
    });
  }
  for (const c of shaped.corners) {
    const [a, b] = [piece.areas[c.a]!, piece.areas[c.b]!];
    const [la, lb] = [lays[c.a], lays[c.b]];
    if (!la || !lb || a.awayFrom !== null || b.awayFrom !== null) continue;
    // What can be turned piece by piece mends a corner; beside it there is none.
    if ([a, b].some((x) => x.coat.method !== 'none' && wayOf(x.coat.method).fans)) continue;
    const [x, y] = [la.pile.hemMm, lb.pile.hemMm];
    // Of wool felted flat, and of a nap, no lie is seen.
    if ([la, lb].some(({ pile }) => pile.hemMm <= NAP_MM || feltedFlat(pile))) continue;
    out.push({
      id: `coat-corner-${a.id}-${b.id}`,
      code: 'coat-corner',
      stage: 'coat',
      severity: 'note',
      about: ref('area', a.id),
      says: say`${a.name} meets ${b.name} over ${mm(c.borderMm)} at an angle of ${degrees(c.angleDeg)}.`,
      why:
        Math.abs(x - y) < 1
          ? say`Two lies side by side show as an edge. Set small bows along the border, turned by the half angle, ${degrees(c.angleDeg / 2)}, ${mm(Math.min(x, y))} long.`
          : say`Two lies side by side show as an edge. Set small bows along the border, turned by the half angle, ${degrees(c.angleDeg / 2)}, their lengths going from ${mm(x)} to ${mm(y)}.`,
      remedies: cornerBows(piece, cupboard, hand, body, c, (x + y) / 2),
    });
  }
  return [...out, ...tooNear(piece, shaped.overhangs, lays)];
}

/** Fur no longer than this is a nap. Ours. */
const NAP_MM = 3;

/** Places of a stroke at most, along one corner. */
const MOST_PLACES = 200;

/** Bows along the border of two lies: an area of its own over both, as wide as a bow is long. */
function cornerBows(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  body: Body,
  corner: Corner,
  lengthMm: number,
): Remedy[] {
  const [a, b] = [piece.areas[corner.a]!, piece.areas[corner.b]!];
  const lot = cupboard.lots.find((l) => a.coat.method !== 'none' && l.id === a.coat.lotId);
  const id = `corner-${a.id}-${b.id}`.slice(0, 64);
  if (!lot || piece.areas.length >= 60 || piece.areas.some((x) => x.id === id)) return [];
  // One side is drawn, the other mirrored.
  const mirrored = !body.board && corner.along.some((q) => q[0] < 0) && corner.along.some((q) => q[0] > 0);
  const drawn = corner.along.filter((q) => !mirrored || q[0] >= 0).slice(0, MOST_PLACES);
  if (drawn.length === 0) return [];
  // No longer than its wool can be folded to.
  const longest = Math.floor(2 * longestLength(lot.stapleMm, hand)) / 2;
  if (longest < 2) return [];
  const coat = bows.begin({
    lot,
    cupboard,
    hand,
    finishedLengthMm: piece.form.finishedLengthMm,
    now: { lengthMm: Math.min(lengthMm, longest), liftDeg: 15, arealMgCm2: 10 },
  });
  const width = Math.max(3, coat.lengthMm);
  return [
    {
      label: say`Set small bows along it`,
      effect: say`a new area ${mm(2 * width)} wide over the border, bows ${mm(coat.lengthMm)} long turned by the half angle`,
      changes: [
        {
          path: ['areas'],
          value: [
            ...piece.areas,
            {
              ...plainArea(id, `Corner of ${a.name} and ${b.name}`.slice(0, 80), [], coat),
              strokes: [
                {
                  adds: true,
                  mirrored,
                  reach: Math.max(2, Math.min(300, (1000 * width) / piece.form.finishedLengthMm)),
                  places: drawn.map((q) => placeAt(body, q)),
                },
              ],
            },
          ],
        },
      ],
    },
  ];
}

/** Shorter stretches are a pinch or two and are shifted without a thought. Ours. */
const NEAR_MM = 8;

/** Where the first row of an area comes so near to the last of the one it hangs over that the needle flattens it. */
function tooNear(piece: Piece, overhangs: readonly Overhang[], lays: readonly (Lay | null)[]): Finding[] {
  const out: Finding[] = [];
  for (const o of overhangs) {
    const [over, under] = [lays[o.over], lays[o.under]];
    const first = over?.rows.rows[0];
    if (!first || !under || under.rows.rows.length === 0) continue;
    const last = under.rows.rows.slice(-2).flatMap((r) => r.pieces);
    let near = 0;
    let all = 0;
    for (const p of first.pieces) {
      for (let i = 0; i < p.points.length; i += 3) {
        all++;
        const hit = last.some((q) => {
          for (let j = 0; j < q.points.length; j += 3) {
            const d = Math.hypot(
              p.points[i]! - q.points[j]!,
              p.points[i + 1]! - q.points[j + 1]!,
              p.points[i + 2]! - q.points[j + 2]!,
            );
            if (d < CLOSEST_MM) return true;
          }
          return false;
        });
        if (hit) near++;
      }
    }
    if (near < 0.25 * all || (near / all) * first.lengthMm < NEAR_MM) continue;
    const [a, b] = [piece.areas[o.over]!, piece.areas[o.under]!];
    out.push({
      id: `coat-near-${a.id}-${b.id}`,
      code: 'coat-near',
      stage: 'coat',
      severity: 'caution',
      about: ref('area', a.id),
      says: say`The first row of ${a.name} lies within ${mm(CLOSEST_MM)} of the last row of ${b.name}.`,
      why: say`The needle would flatten the row just finished. Leave the last row of ${b.name} out there, or begin a little higher.`,
      remedies: [],
    });
  }
  return out;
}
