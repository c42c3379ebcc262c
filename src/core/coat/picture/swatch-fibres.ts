/**
 * A small flat swatch of an area's fur, fibre by fibre: as many as truly lie there, each as thick as the wool is, clumped
 * and uneven as the cover model has it, so that what shows between them is what the cover figure says. x runs along the
 * rows, y against the lie; the fur points down. Lengths mm.
 */
import { normal, seeded } from '@/core/random';
import { fibreMassPerMm } from '@/core/wool/fibre';
import type { Pile } from './pile';

export interface SwatchSpec {
  readonly pile: Pile;
  readonly arealMgCm2: number;
  readonly spacingMm: number;
  readonly finenessUm: number;
  readonly finenessCv: number;
  readonly unevenness: number;
  readonly seed: number;
}

interface SwatchFibres {
  /** Ends of every fibre as straight strokes, stride 4: x1, y1, x2, y2. */
  readonly strokes: Float32Array;
  /** Which colour: 0 the wool, 1 its tip, 2 the marking. */
  readonly colour: Uint8Array;
  /** Which fibre each stroke is a part of. */
  readonly of: Uint32Array;
  readonly widthMm: number;
  readonly count: number;
}

const WAVES = 6;

/** Amount laid in one tuft over the mean: gamma distributed with a coefficient of variation c (Marsaglia and Tsang 2000). */
function amount(rnd: () => number, c: number): number {
  if (c < 1e-6) return 1;
  const shape = 1 / (c * c);
  const d = shape - 1 / 3;
  for (;;) {
    const u = normal(rnd);
    const v = (1 + u / Math.sqrt(9 * d)) ** 3;
    if (v > 0 && Math.log(1 - rnd()) < 0.5 * u * u + d - d * v + d * Math.log(v)) return (d * v) / shape;
  }
}

export function swatchFibres(s: SwatchSpec, wideMm: number, highMm: number): SwatchFibres {
  const { pile } = s;
  const rnd = seeded(s.seed);
  const length = pile.hemMm;
  const perMm2 = (s.arealMgCm2 / 100 / (length * fibreMassPerMm(s.finenessUm, s.finenessCv))) * pile.kappa;
  const reach = length * Math.cos((pile.liftDeg * Math.PI) / 180);
  const strokes: number[] = [];
  const colour: number[] = [];
  const of: number[] = [];
  let fibres = 0;
  const wavy = pile.crimpMm > 0 && pile.crimpDepthMm > 0.2;
  const fibre = (x: number, y: number, turn: number, what: number, phase: number) => {
    const me = fibres++;
    const dx = reach * Math.sin(turn);
    const dy = -reach * Math.cos(turn);
    if (!wavy) {
      strokes.push(x, y, x + dx, y + dy);
      colour.push(what);
      of.push(me);
      if (pile.tipColour && what === 0) {
        const t = 1 - pile.tipShare;
        strokes.push(x + t * dx, y + t * dy, x + dx, y + dy);
        colour.push(1);
        of.push(me);
      }
      return;
    }
    // Waves swing across the fibre.
    const at = (k: number): [number, number] => {
      const share = k / WAVES;
      const swing =
        (pile.crimpDepthMm / 2) * (Math.sin(phase + (2 * Math.PI * share * reach) / pile.crimpMm) - Math.sin(phase));
      return [x + share * dx + swing * Math.cos(turn), y + share * dy + swing * Math.sin(turn)];
    };
    for (let k = 0; k < WAVES; k++) {
      strokes.push(...at(k), ...at(k + 1));
      colour.push(pile.tipColour && (k + 1) / WAVES > 1 - pile.tipShare ? 1 : what);
      of.push(me);
    }
  };
  const scatter = () => (rnd() + rnd() + rnd() - 1.5) * 2 * pile.scatter;
  if (pile.scattered) {
    const margin = reach;
    const n = Math.round(perMm2 * (wideMm + 2 * margin) * (highMm + 2 * margin));
    const flat = pile.liftDeg < 5;
    for (let i = 0; i < n; i++) {
      fibre(
        (wideMm + 2 * margin) * rnd() - margin,
        (highMm + 2 * margin) * rnd() - margin,
        flat ? 2 * Math.PI * rnd() : scatter(),
        0,
        0,
      );
    }
  } else {
    const tuft = pile.tuft;
    const pitch = tuft ? tuft.pitchMm : Math.max(4 * s.spacingMm, 8);
    const width = tuft ? Math.min(tuft.widthMm, tuft.pitchMm) : pitch;
    const ends = perMm2 * s.spacingMm * pitch;
    const rows = Math.ceil((highMm + 2 * reach) / s.spacingMm) + 1;
    for (let r = 0; r < rows; r++) {
      const y = -reach + (r + 0.5) * s.spacingMm;
      const shift = tuft?.staggered && r % 2 === 1 ? pitch / 2 : tuft ? 0 : rnd() * pitch;
      for (let x = -pitch - shift; x < wideMm + pitch; x += pitch) {
        const n = Math.round(ends * amount(rnd, s.unevenness));
        const phase = 2 * Math.PI * rnd();
        const turn = tuft ? scatter() * 0.5 : 0;
        for (let i = 0; i < n; i++) {
          const across = x + (0.5 + ((rnd() - 0.5) * width) / pitch) * pitch;
          fibre(across, y, pile.splayed ? 2 * Math.PI * rnd() : turn + scatter(), 0, phase);
        }
      }
    }
  }
  return {
    strokes: Float32Array.from(strokes),
    colour: Uint8Array.from(colour),
    of: Uint32Array.from(of),
    widthMm: s.finenessUm / 1000,
    count: colour.length,
  };
}
