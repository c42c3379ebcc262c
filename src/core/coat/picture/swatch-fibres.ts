/**
 * A small flat swatch of an area's fur, fibre by fibre: as many as truly lie there, each as thick as the wool is, clumped
 * and uneven as the cover model has it, so that what shows between them is what the cover figure says. x runs along the
 * rows, y against the lie; the fur points down. Lengths mm.
 */
import { normal, seeded } from '@/core/random';
import { fibreMassPerMm } from '@/core/wool/fibre';
import { featherArea } from '@/core/coat/cover/feather-shape';
import type { Pile } from './pile';
import { barb, BARB_LAYERS, barbLength, VANE_TURN } from './vane';

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
  /** How light each stroke is beside its colour, of feathers, whose two halves catch the light otherwise; null for fur. */
  readonly tone: Float32Array | null;
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

/** Barbs of a swatch are strokes so wide, mm: no finer than a screen shows. Ours. */
const BARB_MM = 0.1;

/** Feathers row over row, the lowest first, so that each lies over those below it; their tips point down. */
function vanes(
  pile: Pile,
  s: SwatchSpec,
  wideMm: number,
  highMm: number,
  rnd: () => number,
  each: (b: {
    readonly x0: number;
    readonly y0: number;
    readonly x1: number;
    readonly y1: number;
    readonly tone: number;
  }) => void,
): void {
  const vane = pile.vane!;
  const pitch = pile.tuft!.pitchMm;
  const barbs = Math.ceil((BARB_LAYERS * featherArea(vane)) / (barbLength(vane) * BARB_MM));
  const rows = Math.ceil((highMm + vane.lengthMm) / s.spacingMm) + 1;
  for (let r = 0; r < rows; r++) {
    const y = r * s.spacingMm;
    const shift = r % 2 === 1 ? pitch / 2 : 0;
    for (let x = -shift; x < wideMm + pitch; x += pitch) {
      const turn = VANE_TURN * (2 * rnd() - 1);
      const [c, d] = [Math.cos(turn), Math.sin(turn)];
      const own = 0.97 + 0.12 * (rnd() - 0.5);
      for (let i = 0; i < barbs; i++) {
        const b = barb(vane, rnd);
        each({
          x0: x + b.u0 * c + b.v0 * d,
          y0: y - b.v0 * c + b.u0 * d,
          x1: x + b.u1 * c + b.v1 * d,
          y1: y - b.v1 * c + b.u1 * d,
          tone: b.shaft ? 0.82 : own + (b.u1 > 0 ? 0.06 : -0.06) + 0.05 * (rnd() - 0.5),
        });
      }
    }
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
  const tones: number[] = [];
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
  if (pile.vane) {
    vanes(pile, s, wideMm, highMm, rnd, (b) => {
      strokes.push(b.x0, b.y0, b.x1, b.y1);
      colour.push(0);
      of.push(fibres++);
      tones.push(b.tone);
    });
  } else if (pile.scattered) {
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
    tone: pile.vane ? Float32Array.from(tones) : null,
    widthMm: pile.vane ? BARB_MM : s.finenessUm / 1000,
    count: colour.length,
  };
}
