/**
 * Flat felt parts: ears, wings, tail feathers, beaks and claws made apart. From the drawn outline follow the pattern to
 * cut (larger by what felting shrinks), the wool of every layer, the fringe left at the seat, and whether a lining of
 * another colour comes through.
 */
import { takes } from '@/core/time/work-time';
import { ref } from '@/core/ref';
import { decided, SIZE, the } from '@/core/decision';
import { layerCover } from '@/core/coat/cover/bare';
import { layerMass } from '@/core/wool/fibre';
import { outOf } from '@/core/materials';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { FlatPart } from '@/core/piece/schema';
import type { Context, Finding, Operation, PieceChange, Stage } from '@/core/stage';
import { count, grams, mm, say, share } from '@/core/text';
import { lightness } from '@/core/colour/lab';
import { feltFlat } from '@/core/stabbing';
import { asStanding, isLeaf, smoothRing } from '@/core/form/leaf';
import { unitMm } from '@/core/form/shape';
import { shrinks } from '@/core/rates/shrunk';

export const patternScale = method({
  id: 'pattern-scale',
  title: 'How much larger the pattern is',
  formula: 'k = 1 / (1 − shrink)',
  inputs: { shrink: letter('shrink', 'share of its length the felt loses', 'share') },
  result: letter('k', 'pattern to finished outline', 'number'),
  source: 'What is left after shrinking is the finished outline; the share is the maker’s own, from a trial piece.',
  basis: 'common practice',
  of: ({ shrink }) => 1 / (1 - shrink),
});

export const feltMass = method({
  id: 'felt-mass',
  title: 'Wool of a flat part',
  formula: 'm = A × t × ρ',
  inputs: {
    area: letter('A', 'area of the finished outline', 'area'),
    thick: letter('t', 'thickness', 'length'),
    density: letter('ρ', 'density of flat felt, in mg per cm³', 'density', 'core'),
  },
  result: letter('m', 'wool', 'mass'),
  source: 'Volume by the outline; density ours until a swatch replaces it.',
  basis: 'ours',
  of: ({ area, thick, density }) => ((area * thick) / 1000) * (density / 1000),
});

export const showsThrough = method({
  id: 'shows-through',
  title: 'Lining that shows through',
  formula: 'share = (1 + κ n c²)^(−1/c²) with n = t ρ / m1',
  inputs: {
    thick: letter('t', 'thickness over the lining', 'length'),
    density: letter('ρ', 'density of flat felt, in mg per cm³', 'density', 'core'),
    layer: letter('m1', 'areal mass that covers once on average', 'areal'),
    kappa: letter('κ', 'how far one layer hides', 'number', 'hides'),
    uneven: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('share', 'share of the lining that is not covered', 'share'),
  source: 'Cover of randomly laid fibres (Poisson), unevenly laid (gamma-distributed amount).',
  basis: 'published',
  of: ({ thick, density, layer, kappa, uneven }) => 1 - layerCover(((thick / 10) * density) / layer, kappa, uneven),
});

/** The step it is felted in. */
const flatStep = (f: Pick<FlatPart, 'id'>): string => `flat-${f.id}`;

/** A share nobody would tell from another. Ours. */
const TOLD = 0.03;

/** More of the lining than this is seen from the outside. Ours. */
const SEEN = 0.02;

export interface FlatPartPlan {
  readonly id: string;
  readonly name: string;
  readonly count: 1 | 2;
  /** Finished outline, smooth and closed, mm, stride 2; its seat lies along the bottom. */
  readonly outline: Float64Array;
  readonly pattern: Figure;
  readonly areaMm2: number;
  /** Of one, outer wool and lining. */
  readonly mass: Figure;
  readonly liningMass: Figure | null;
  readonly layerG: number;
  readonly through: Figure | null;
  readonly lotId: string | null;
  readonly liningLotId: string | null;
}

/** A smooth closed line through the drawn points, mm, stride 2. */
export const smoothOutline = (points: readonly (readonly [number, number])[], mmPerUnit: number): Float64Array =>
  Float64Array.from(smoothRing(points).flatMap(([x, y]) => [x * mmPerUnit, y * mmPerUnit]));

/** How wide it is at its widest, across its seat, finished; mm. */
export function widthOf({ outline }: Pick<FlatPartPlan, 'outline'>): number {
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < outline.length; i += 2) {
    least = Math.min(least, outline[i]!);
    most = Math.max(most, outline[i]!);
  }
  return most - least;
}

/** Area a closed line encloses (shoelace formula), mm2. */
export function enclosed(outline: Float64Array): number {
  let s = 0;
  for (let i = 0, j = outline.length - 2; i < outline.length; j = i, i += 2) {
    s += outline[j]! * outline[i + 1]! - outline[i]! * outline[j + 1]!;
  }
  return Math.abs(s) / 2;
}

export function planFlatParts({
  piece,
  cupboard,
  hand,
}: Pick<Context, 'piece' | 'cupboard' | 'hand'>): Stage<readonly FlatPartPlan[]> {
  const findings: Finding[] = [];
  const operations: Operation[] = [];
  const k = unitMm(piece.form);
  const density = hand.coreDensityMgCm3['flat felt'].usual;
  const parts = piece.flatParts.map((kept, i): FlatPartPlan => {
    const f = asStanding(piece, kept, k);
    const outline = smoothOutline(f.outline, k);
    const areaMm2 = enclosed(outline);
    const lot = cupboard.lots.find((l) => l.id === f.lotId) ?? null;
    const lining = cupboard.lots.find((l) => l.id === f.liningLotId) ?? null;
    const outer = lining ? Math.max(0, f.thicknessMm - f.liningMm) : f.thicknessMm;
    const mass = figure(feltMass, { area: areaMm2, thick: outer, density });
    const liningMass =
      lining && figure(feltMass, { area: areaMm2, thick: Math.min(f.liningMm, f.thicknessMm), density });
    const through =
      lot &&
      lining &&
      figure(showsThrough, {
        thick: outer,
        density,
        layer: layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv }),
        kappa: hand.spread[lot.form],
        uneven: hand.unevenness,
      });
    const own = shrinks(hand);
    if (own && !isFelted(piece, f) && Math.abs(own.share - f.shrinkShare) >= TOLD) findings.push(otherwise(f, i, own));
    if (through && through.value > SEEN)
      findings.push(comesThrough(f, thicknessAt(piece, i, k), through, outer, density, lot, hand));
    const plan: FlatPartPlan = {
      id: f.id,
      name: f.name,
      count: f.paired ? 2 : 1,
      outline,
      pattern: figure(patternScale, { shrink: f.shrinkShare }),
      areaMm2,
      mass,
      liningMass,
      layerG: (mass.value + (liningMass?.value ?? 0)) / f.layers,
      through,
      lotId: lot?.id ?? null,
      liningLotId: lining?.id ?? null,
    };
    operations.push(operation(plan, f, lot, lining, hand));
    return plan;
  });
  return { result: parts, findings, operations, ties: [] };
}

/** Felted, and not started over since. */
const isFelted = ({ log }: Pick<Context['piece'], 'log'>, f: FlatPart): boolean =>
  log.findLast(
    (e) =>
      (e.kind === 'step' && !e.kept && e.operation === flatStep(f)) ||
      (e.kind === 'start-over' && e.operations.includes(flatStep(f))),
  )?.kind === 'step';

/** Felt shrinks otherwise in this maker's hands than the pattern says. */
function otherwise(f: FlatPart, index: number, own: NonNullable<ReturnType<typeof shrinks>>): Finding {
  const k = (s: number) => 1 / (1 - s);
  const off = Math.abs(k(f.shrinkShare) / k(own.share) - 1);
  return {
    id: `form-shrinks-${f.id}`,
    code: 'form-shrinks',
    stage: 'form',
    severity: 'note',
    about: ref('flat part', f.id),
    says: say`${f.name} is likely to come out ${share(off)} ${own.share > f.shrinkShare ? 'smaller' : 'larger'} than drawn: your felt has shrunk by ${share(own.share)}, its pattern is for ${share(f.shrinkShare)}.`,
    why: say`Learned from ${count(own.entries)} flat parts measured across on ${count(own.pieces)} ${own.pieces === 1 ? 'piece' : 'pieces'}.`,
    remedies: [
      {
        label: say`Cut its pattern for ${share(own.share)}`,
        effect: say`it comes out as drawn`,
        changes: [{ path: ['flatParts', index, 'shrinkShare'], value: own.share }],
      },
    ],
  };
}

/** Where its thickness is kept: with the leaf it stands for, or with itself. */
function thicknessAt({ form, flatParts }: Pick<Context['piece'], 'form' | 'flatParts'>, index: number, k: number) {
  const i = form.parts.findIndex((p) => p.id === flatParts[index]!.id && isLeaf(p));
  return (mm: number): PieceChange =>
    i < 0
      ? { path: ['flatParts', index, 'thicknessMm'], value: mm }
      : { path: ['form', 'parts', i, 'halfHeight'], value: mm / 2 / k };
}

function comesThrough(
  f: FlatPart,
  thicken: (mm: number) => PieceChange,
  through: Figure,
  outer: number,
  density: number,
  lot: Lot,
  hand: Hand,
): Finding {
  // The thickness at which just so much is seen: the formula turned round.
  const c2 = hand.unevenness ** 2;
  const kn = c2 > 0 ? (SEEN ** -c2 - 1) / c2 : -Math.log(SEEN);
  const n = kn / hand.spread[lot.form];
  const least = (n * layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv }) * 10) / density;
  const wanted = Math.ceil(10 * (f.thicknessMm - outer + least)) / 10;
  return {
    id: `form-through-${f.id}`,
    code: 'form-through',
    stage: 'form',
    severity: 'caution',
    about: ref('flat part', f.id),
    says: say`The lining of ${f.name} will show through: ${share(through.value)} of it is not covered.`,
    why: say`Only ${mm(outer)} of felt lies over it; ${mm(least)} would hide it. Else cover it on the back once it is felted.`,
    remedies: [
      {
        label: say`Make it ${mm(wanted)} thick`,
        effect: say`hides the lining but for ${share(SEEN)}`,
        changes: [thicken(wanted)],
      },
    ],
  };
}

function operation(p: FlatPartPlan, f: FlatPart, lot: Lot | null, lining: Lot | null, hand: Hand): Operation {
  return {
    id: flatStep(f),
    stage: 'form',
    about: ref('flat part', p.id),
    kind: 'core',
    restsOn: [SIZE, decided('the flat part', ['flatParts', the(p.id)])],
    does: say`Felt ${p.name}${p.count === 2 ? ', two alike side by side' : ''} flat, ${count(f.layers)} layers of ${grams(p.layerG)} crosswise, ${mm(f.thicknessMm)} thick`,
    materials: [
      ...outOf(lot, p.count * p.mass.value, 'flat part'),
      ...outOf(lining, p.count * (p.liningMass?.value ?? 0), 'lining'),
    ],
    cutLengthMm: null,
    rows: 0,
    passes: say`Turn the edge in, clean it between two cards so that no finger is near the needle, leave the fringe loose`,
    tools: [],
    needlework: feltFlat(f.thicknessMm, p.liningMass !== null, p.count * p.areaMm2, Math.sqrt(p.areaMm2), lot, hand),
    ...takes(hand, { step: 1, flatPart: p.count }),
    ...(f.bendDeg > 0
      ? {
          wait: {
            minutes: hand.dryMinutes,
            says: say`${p.name} dries in its bend, stiffened with a little soap solution.`,
          },
        }
      : {}),
    after: [],
    lightness: lot ? lightness(lot.colour) : 50,
    caution: say`Thin parts let the needle through: never hold them against a finger.`,
  };
}
