/**
 * A photograph laid on the chart: the turn, scale and shift that bring its pins nearest to the landmarks of the planned face
 * (least squares; in the plane a similarity is z -> a z + b with complex a, b, and both have a closed form).
 */
export type Pt = readonly [number, number];

export interface Fitted {
  /** Chart mm per width of the picture. */
  readonly mmPerWidth: number;
  /** Turned against the clock by this, degrees. */
  readonly turnDeg: number;
  /** Where the top left corner of the picture comes to lie, mm right and up. */
  readonly corner: Pt;
  /** How far each pin is off its landmark, mm right and up: photograph less plan. */
  readonly off: readonly { readonly mark: string; readonly at: Pt; readonly offMm: Pt }[];
}

export interface PinOn {
  readonly mark: string;
  /** In widths of the picture, right and up from its top left corner. */
  readonly picture: Pt;
  /** On the chart, mm. */
  readonly chart: Pt;
}

/** @returns null with fewer than two pins, or all of them on one spot */
export function fitPhoto(pins: readonly PinOn[]): Fitted | null {
  const n = pins.length;
  if (n < 2) return null;
  const mean = (of: (p: PinOn) => Pt, k: 0 | 1) => pins.reduce((s, p) => s + of(p)[k], 0) / n;
  const pm: Pt = [mean((p) => p.picture, 0), mean((p) => p.picture, 1)];
  const cm: Pt = [mean((p) => p.chart, 0), mean((p) => p.chart, 1)];
  let re = 0;
  let im = 0;
  let size = 0;
  for (const p of pins) {
    const [x, y] = [p.picture[0] - pm[0], p.picture[1] - pm[1]];
    const [u, v] = [p.chart[0] - cm[0], p.chart[1] - cm[1]];
    re += x * u + y * v;
    im += x * v - y * u;
    size += x * x + y * y;
  }
  if (size < 1e-12 || Math.hypot(re, im) < 1e-12) return null;
  const a: Pt = [re / size, im / size];
  const to = ([x, y]: Pt): Pt => [
    cm[0] + a[0] * (x - pm[0]) - a[1] * (y - pm[1]),
    cm[1] + a[1] * (x - pm[0]) + a[0] * (y - pm[1]),
  ];
  return {
    mmPerWidth: Math.hypot(...a),
    turnDeg: (Math.atan2(a[1], a[0]) * 180) / Math.PI,
    corner: to([0, 0]),
    off: pins.map((p) => {
      const at = to(p.picture);
      return { mark: p.mark, at, offMm: [at[0] - p.chart[0], at[1] - p.chart[1]] as const };
    }),
  };
}
