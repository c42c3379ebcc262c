/**
 * How thin a layer is, as fibres lie in it at true size: so many millimetres of fibre on a small square, each as thick as it is,
 * thrown at random as teased wool lies. mm
 */
import { fibreMassPerMm } from '@/core/wool/fibre';
import { seeded } from '@/core/random';

/** A fibre across the square, cut at its sides: from and to. */
type Across = readonly [x0: number, y0: number, x1: number, y1: number];

interface ThinFibres {
  readonly sideMm: number;
  readonly thickMm: number;
  readonly fibres: readonly Across[];
}

/** More are not told apart any more. */
const MOST = 1500;

/**
 * Lines at random directions and distances over a square of that side: isotropic, so that every place is covered alike.
 * @param arealMgCm2 wool on a square cm
 */
export function thinFibres(
  arealMgCm2: number,
  { finenessUm, finenessCv }: { readonly finenessUm: number; readonly finenessCv: number },
  sideMm: number,
  seed: number,
): ThinFibres {
  const rnd = seeded(seed);
  const wanted = ((arealMgCm2 / 100) * sideMm * sideMm) / fibreMassPerMm(finenessUm, finenessCv);
  const reach = sideMm * Math.SQRT1_2;
  const fibres: Across[] = [];
  let laid = 0;
  while (laid < wanted && fibres.length < MOST) {
    const turn = Math.PI * rnd();
    const off = reach * (2 * rnd() - 1);
    const cut = acrossSquare(Math.cos(turn), Math.sin(turn), off, sideMm / 2);
    if (!cut) continue;
    const long = Math.hypot(cut[2] - cut[0], cut[3] - cut[1]);
    const keep = Math.min(1, (wanted - laid) / long);
    fibres.push([cut[0], cut[1], cut[0] + keep * (cut[2] - cut[0]), cut[1] + keep * (cut[3] - cut[1])]);
    laid += keep * long;
  }
  return { sideMm, thickMm: finenessUm / 1000, fibres };
}

/** The stretch within a square of half side h of the line at distance `off` from its middle with normal (c, s); null where it misses. */
function acrossSquare(c: number, s: number, off: number, h: number): Across | null {
  const [px, py, dx, dy] = [c * off, s * off, -s, c];
  let from = -Infinity;
  let to = Infinity;
  for (const [p, d] of [
    [px, dx],
    [py, dy],
  ] as const) {
    if (Math.abs(d) < 1e-12) {
      if (Math.abs(p) > h) return null;
      continue;
    }
    const [a, b] = [(-h - p) / d, (h - p) / d];
    from = Math.max(from, Math.min(a, b));
    to = Math.min(to, Math.max(a, b));
  }
  return from < to ? [px + from * dx, py + from * dy, px + to * dx, py + to * dy] : null;
}
