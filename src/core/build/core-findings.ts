/** Parts the coat would swallow: no core left under too much of them, with the thickness of coat that would fit. */
import { ref } from '@/core/ref';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece, UNDER_FUR } from '@/core/piece/schema';
import type { Finding, PieceChange, Remedy } from '@/core/stage';
import { fine, mm, say, share } from '@/core/text';
import type { BodyPart } from '@/core/form/body';
import { placeOnPart } from '@/core/form/body';
import { nearestParts, type FormWork } from '@/core/form/form';
import { localRadius, type CoreSkin } from './core-skin';
import { skeleton } from './skeleton';
import { underFur } from './under-fur';
import { wrappedAcross } from './wire';

/** A core thinner than this along a part is hard to needle; ours. */
const LEAST_CORE_MM = 2;
/** Share of a part's skin the coat may leave without core (a tip) before the part counts as swallowed. Ours. */
const SWALLOWED = 0.35;

/** What the coat takes of a part. */
interface Lost {
  /** Share of its skin under which no core is left. */
  readonly share: number;
  /** Thicknesses of coat that would just leave a core, where it leaves too little, thinnest first, mm. */
  readonly fits: readonly number[];
}

/** Toes have no core of their own worth keeping: they are wisps rolled and felted on. */
function beyondBall(w: FormWork, p: number, v: number): boolean {
  const b = w.body.parts[p]!;
  if (b.part.shape !== 'limb' || !b.part.toes) return false;
  const toes = b.part.root === 'start' ? b.left[b.left.length - 1]!.length : b.left[0]!.length;
  const { positions: s } = w.skin;
  const { along } = placeOnPart(b, s[3 * v]!, s[3 * v + 1]!, s[3 * v + 2]!);
  const from = toes / b.lengthMm;
  return b.part.root === 'start' ? along > 1 - from : along < from;
}

/** What the coat takes of every part, whatever is made of it. */
export function lostUnder(w: FormWork, c: CoreSkin): Lost[] {
  const part = nearestParts(w);
  const P = w.body.parts.length;
  const seen = new Float64Array(P);
  const gone = new Float64Array(P);
  const fits: number[][] = Array.from({ length: P }, () => []);
  for (let v = 0; v < c.loft.length; v++) {
    const loft = c.loft[v]!;
    const p = part[v]!;
    if (beyondBall(w, p, v)) continue;
    seen[p]!++;
    if (loft <= 0) continue;
    const r = localRadius(c, w.skin, v, loft + LEAST_CORE_MM);
    if (r <= loft) gone[p]!++;
    if (r < loft + LEAST_CORE_MM / 2) fits[p]!.push(r);
  }
  return fits.map((radii, p) => ({ share: gone[p]! / (seen[p] || 1), fits: radii.sort((x, y) => x - y) }));
}

/** The piece with a part built in another way under its fur. */
const built = (piece: Piece, part: string, way: (typeof UNDER_FUR)[number]): PieceChange => {
  const i = piece.core.under.findIndex((u) => u.part === part);
  return i < 0
    ? { path: ['core', 'under'], value: [...piece.core.under, { part, way }] }
    : { path: ['core', 'under', i, 'way'], value: way };
};

/** A wire through the part: what of the frame has to change so that there is one; null where none can run through it. */
function wireThrough(piece: Piece, cupboard: Cupboard, w: FormWork, part: string): PieceChange[] | null {
  if (piece.form.scan) return null;
  const runs = (frame: Piece['frame']) => {
    const { through, limbs } = skeleton(w.body, frame);
    return through.includes(part) || limbs.some((l) => l.part.part.id === part);
  };
  const whole = { ...piece.frame, head: true, tail: true };
  if (!runs(whole)) return null;
  const cleaner = cupboard.wires.find((x) => x.kind === 'pipe cleaner')?.id ?? null;
  if (piece.frame.kind === 'none')
    return [{ path: ['frame'], value: { ...whole, kind: 'pipe cleaner', wireId: cleaner } }];
  if (runs(piece.frame)) return [];
  const tail = runs({ ...piece.frame, tail: true });
  return [{ path: ['frame', tail ? 'tail' : 'head'], value: true }];
}

/** Drawn so much thicker all along that the coat leaves a core; none where it would be another animal. */
function thicker(piece: Piece, w: FormWork, b: BodyPart, across: number, moreMm: number): Remedy[] {
  const i = piece.form.parts.findIndex((p) => p.id === b.part.id);
  const drawn = piece.form.parts[i];
  // Up to twice as thick; ours.
  if (!drawn || drawn.shape === 'board' || piece.form.scan || moreMm > across / 2) return [];
  const more = Math.ceil(moreMm / w.body.scale);
  const set = (key: string, value: unknown): PieceChange => ({ path: ['form', 'parts', i, key], value });
  return [
    {
      label: say`Draw ${b.part.name} thicker`,
      effect: say`${mm(across + 2 * more * w.body.scale)} across with its fur instead of ${mm(across)}, and a core to root it in`,
      changes:
        drawn.shape === 'limb'
          ? [
              set(
                'nodes',
                drawn.nodes.map((n) => ({ ...n, radius: n.radius + more })),
              ),
            ]
          : [set('halfWidth', drawn.halfWidth + more), set('halfHeight', drawn.halfHeight + more)],
    },
  ];
}

/** What makers do with fur as thick as the part, with the sizes that come of it. */
function waysUnder(piece: Piece, cupboard: Cupboard, w: FormWork, b: BodyPart, across: number, fur: number): Remedy[] {
  const { id: part, name } = b.part;
  const wire = wireThrough(piece, cupboard, w, part);
  const frame = wire?.find((c) => c.path.length === 1)?.value as Piece['frame'] | undefined;
  const i = piece.core.soft.findIndex((s) => s.part === part);
  return [
    ...(wire
      ? [
          {
            label: say`Wrap the wire of ${name} and let its fur make the bush`,
            effect: say`${mm(across)} across as drawn, round ${frame ? 'a pipe cleaner' : 'a wire'} wrapped to ${fine(wrappedAcross(frame ? { ...piece, frame } : piece, cupboard))}`,
            changes: [...wire, built(piece, part, 'wrapped wire')],
          },
        ]
      : []),
    {
      label: say`Take ${name} as drawn for its core`,
      effect: say`${mm(across + 2 * fur)} across with its fur, which stands out over it`,
      changes: [built(piece, part, 'as drawn')],
    },
    // What no wire runs through is thin enough to be felted flat: ears, fins, wings.
    ...(wire
      ? []
      : [
          {
            label: say`Make ${name} as flat felt`,
            effect: say`made apart at its full size, with no thinning under the coat`,
            changes: [
              i < 0
                ? { path: ['core', 'soft'], value: [...piece.core.soft, { part, firmness: 'flat felt' as const }] }
                : { path: ['core', 'soft', i, 'firmness'], value: 'flat felt' },
            ],
          },
        ]),
  ];
}

/**
 * Parts under which the coat leaves no core, and parts it leaves too thin, with the loft that would fit.
 * @param across of every part as drawn, mm
 * @param fur thickness of the coat over every part, mm
 */
export function swallowed(
  piece: Piece,
  cupboard: Cupboard,
  w: FormWork,
  under: readonly Lost[],
  across: readonly number[],
  fur: readonly number[],
): Finding[] {
  if (piece.core.school === 'full-size') return [];
  return w.body.parts.flatMap((b, p): Finding[] => {
    const { share: lost, fits: radii } = under[p]!;
    // A wrapped wire under it is what the maker chose.
    if (radii.length === 0 || underFur(piece, b.part) === 'wrapped wire') return [];
    // The loft that fits leaves the least core everywhere but at the outermost tip.
    const fit = Math.max(0, radii[Math.floor(radii.length * 0.1)]! - LEAST_CORE_MM / 2);
    if (lost < 0.05) return [];
    const stop = lost > SWALLOWED;
    return [
      {
        id: `form-swallowed-${b.part.id}`,
        code: 'form-swallowed',
        stage: 'form',
        severity: stop ? 'stop' : 'note',
        about: ref('part', b.part.id),
        says: stop
          ? say`The coat would swallow ${b.part.name}: no core is left under ${share(lost)} of it.`
          : say`Under ${share(lost)} of ${b.part.name} there is fur only and no core.`,
        why: stop
          ? say`The coat there is thicker than the part. A coat of at most ${mm(fit)} would leave a core to root it in.`
          : say`The core ends short of the tip; the fur makes up the rest. A coat of at most ${mm(fit)} would leave core up to the tip.`,
        remedies: stop
          ? [
              ...waysUnder(piece, cupboard, w, b, across[p]!, fur[p]!),
              ...thicker(piece, w, b, across[p]!, fur[p]! - fit),
            ]
          : [],
      },
    ];
  });
}
