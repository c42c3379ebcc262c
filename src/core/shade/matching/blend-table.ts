/** A stock of wool made ready for blending by the million: curves as flat arrays, a blend straight to its L*, a*, b*. */
import { labOfXyz, type Triple } from '@/core/colour/lab';
import { BANDS, XYZ_WEIGHTS } from '@/core/colour/observer';
import { FRIELE_S, friele, frieleBack, stearns, type BlendHow } from '@/core/wool/blend';

const [WX, WY, WZ] = XYZ_WEIGHTS as [Float64Array, Float64Array, Float64Array];

export interface StockWool {
  readonly id: string;
  /** `BANDS` reflectances. */
  readonly curve: Float64Array;
  /** Grams free for this. */
  readonly freeG: number;
}

/** A stock made ready for searching: good for as long as the stock and the way of blending stay. */
export class BlendTable {
  /** The averaged function of every lot, and its reflectance, `BANDS` each. */
  readonly f: Float64Array;
  readonly r: Float64Array;
  readonly how: BlendHow;

  constructor(stock: readonly Pick<StockWool, 'curve'>[], how: BlendHow) {
    this.how = how;
    this.f = new Float64Array(stock.length * BANDS);
    this.r = new Float64Array(stock.length * BANDS);
    stock.forEach((s, i) => {
      for (let k = 0; k < BANDS; k++) {
        const r = Math.max(1e-4, s.curve[k]!);
        this.r[i * BANDS + k] = r;
        this.f[i * BANDS + k] = how.model === 'friele' ? friele(r, FRIELE_S) : stearns(r, how.m);
      }
    });
  }

  /** L*, a*, b* of a blend by parts. */
  lab(lots: readonly number[], parts: readonly number[]): Triple {
    const n = lots.length;
    let whole = 0;
    for (let i = 0; i < n; i++) whole += parts[i]!;
    const { f, r: R } = this;
    const { even, model, m } = this.how;
    const plain = model === 'stearns-noechel';
    const top = 0.01 * (1 - m);
    const i = lots[0]! * BANDS;
    const a = parts[0]! / whole;
    // Lots that are not there count for nothing.
    const j = n > 1 ? lots[1]! * BANDS : i;
    const b = n > 1 ? parts[1]! / whole : 0;
    const k = n > 2 ? lots[2]! * BANDS : i;
    const c = n > 2 ? parts[2]! / whole : 0;
    const l = n > 3 ? lots[3]! * BANDS : i;
    const d = n > 3 ? parts[3]! / whole : 0;
    let x = 0;
    let y = 0;
    let z = 0;
    for (let e = 0; e < BANDS; e++) {
      const s = a * f[i + e]! + b * f[j + e]! + c * f[k + e]! + d * f[l + e]!;
      let r = plain ? (1 - top * s) / (1 + m * s) : frieleBack(s, FRIELE_S);
      if (even < 1) r = even * r + (1 - even) * (a * R[i + e]! + b * R[j + e]! + c * R[k + e]! + d * R[l + e]!);
      x += WX[e]! * r;
      y += WY[e]! * r;
      z += WZ[e]! * r;
    }
    return labOfXyz([x, y, z]);
  }
}
