/** Parts the coat would swallow: no core left under too much of them, with the thickness of coat that would fit. */
import { ref } from '@/core/ref';
import type { Piece } from '@/core/piece/schema';
import type { Finding } from '@/core/stage';
import { mm, say, share } from '@/core/text';
import { localRadius, type CoreSkin } from './core-skin';
import { nearestParts, type FormWork } from '@/core/form/form';

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
    seen[p]!++;
    if (loft <= 0) continue;
    const r = localRadius(c, w.skin, v, loft + LEAST_CORE_MM);
    if (r <= loft) gone[p]!++;
    if (r < loft + LEAST_CORE_MM / 2) fits[p]!.push(r);
  }
  return fits.map((radii, p) => ({ share: gone[p]! / (seen[p] || 1), fits: radii.sort((x, y) => x - y) }));
}

/** Parts under which the coat leaves no core, and parts it leaves too thin, with the loft that would fit. */
export function swallowed(piece: Piece, w: FormWork, under: readonly Lost[]): Finding[] {
  if (piece.core.school === 'full-size') return [];
  return w.body.parts.flatMap((b, p): Finding[] => {
    const { share: lost, fits: radii } = under[p]!;
    if (radii.length === 0) return [];
    // The loft that fits leaves the least core everywhere but at the outermost tip.
    const fit = Math.max(0, radii[Math.floor(radii.length * 0.1)]! - LEAST_CORE_MM / 2);
    if (lost < 0.05) return [];
    const stop = lost > SWALLOWED;
    const i = piece.core.soft.findIndex((s) => s.part === b.part.id);
    const flat =
      i < 0
        ? { path: ['core', 'soft'], value: [...piece.core.soft, { part: b.part.id, firmness: 'flat felt' as const }] }
        : { path: ['core', 'soft', i, 'firmness'], value: 'flat felt' };
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
              {
                label: say`Make ${b.part.name} as flat felt`,
                effect: say`made apart at its full size, with no thinning under the coat`,
                changes: [flat],
              },
            ]
          : [],
      },
    ];
  });
}
