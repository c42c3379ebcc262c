/**
 * Cover of fur in rows, seen from any side. A fibre of length L in the direction u casts a shadow along the line of sight w
 * onto the skin, and hides |u x w| / cos T of skin for every mm of it. Its shadow is spread over the strip of skin it crosses;
 * what all fibres of a row leave of a strip is what a random layer leaves (`bareShare`), and rows lie over each other at random.
 * Where pinches leave gaps along the row, what lies at a distance from it is spread over the pitch by the scatter it has there.
 * Lengths mm, angles degrees; x runs along the row, y away from the hem, so that fur points to -y.
 */
import { bareShare } from './bare';

/** Scatter of the lift and of the direction on the skin of combed fibres, radians. Ours. */
export const LIFT_SCATTER = 0.1;
export const SCATTER = 0.12;
/** No standing pile stands all at one angle: the scatter of its lift, degrees. Ours. */
export const RISE_DEG = 10;

const rad = Math.PI / 180;
const STEPS = 15;
/** Points and weights that stand for a bell curve: equal slices out to three deviations. */
export const BELL = (() => {
  const points = Array.from({ length: STEPS }, (_, i) => {
    const x = -3 + (6 * (i + 0.5)) / STEPS;
    return { x, w: Math.exp((-x * x) / 2) };
  });
  const whole = points.reduce((s, b) => s + b.w, 0);
  return points.map(({ x, w }) => ({ x, w: w / whole }));
})();
const AZIMUTHS = 36;

/** Where one looks from: off the line straight down, and to which side of the lie (0 against it, 90 across, 180 along it). */
export interface View {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}
export const ABOVE: View = { tiltDeg: 0, azimuthDeg: 0 };
/** As one looks at a piece on a table. Gaps look worst from there, against the lie (common practice). */
export const AGAINST: View = { tiltDeg: 45, azimuthDeg: 0 };
export const ALONG_ROWS: View = { tiltDeg: 45, azimuthDeg: 90 };

export interface RowsOfFur {
  readonly lengthMm: number;
  readonly liftDeg: number;
  readonly spacingMm: number;
  /** Fibre ends on a mm of row times their diameter in mm. */
  readonly q: number;
  /** Fur falls to the hem, or rises to all sides alike. */
  readonly falls: 'to the hem' | 'to all sides';
  /** Scatter of its direction on the skin, radians. */
  readonly scatter: number;
  /** Width of a pinch and how far it is to the next. */
  readonly widthMm: number;
  readonly pitchMm: number;
  readonly kappa: number;
  readonly unevenness: number;
  /** One row only, looked at as far as it reaches: a strip. */
  readonly single?: boolean;
}

/** Calls `see` with every direction fibres point in and its share. */
function directions(f: RowsOfFur, see: (x: number, y: number, z: number, share: number) => void): void {
  const [spread, around] = f.falls === 'to the hem' ? [LIFT_SCATTER, STEPS] : [RISE_DEG * rad, AZIMUTHS];
  for (const b of BELL) {
    const lift = Math.max(0, f.liftDeg * rad + spread * b.x);
    const [flat, up] = [Math.cos(lift), Math.sin(lift)];
    for (let k = 0; k < around; k++) {
      const yaw = f.falls === 'to the hem' ? f.scatter * BELL[k]!.x : ((k + 0.5) * 2 * Math.PI) / AZIMUTHS;
      see(
        flat * Math.sin(yaw),
        -flat * Math.cos(yaw),
        up,
        b.w * (f.falls === 'to the hem' ? BELL[k]!.w : 1 / AZIMUTHS),
      );
    }
  }
}

/** Strips a period is cut into; fewer where very many rows lie over each other and the strips differ little. */
const binsOf = (reach: number, spacing: number): number =>
  Math.max(4, Math.min(32, Math.round((32 * 30 * spacing) / reach)));

interface Shadows {
  /** Layers over every strip, from the furthest behind the row to the furthest before it. */
  readonly layers: Float64Array;
  /** Scatter of where fibres cross the strip, along the row, mm. */
  readonly spread: Float64Array;
  readonly stripMm: number;
}

function shadows(f: RowsOfFur, view: View): Shadows {
  const [sin, cos] = [Math.sin(view.tiltDeg * rad), Math.cos(view.tiltDeg * rad)];
  const w = [sin * Math.sin(view.azimuthDeg * rad), -sin * Math.cos(view.azimuthDeg * rad), cos] as const;
  // No shadow is longer than the fibre lying flat and standing together.
  const reach = f.lengthMm * (1 + sin / cos);
  const strip = f.spacingMm / binsOf(reach, f.spacingMm);
  const zero = Math.ceil(reach / strip) + 1;
  const n = 2 * zero;
  const m = [new Float64Array(n + 1), new Float64Array(n + 1), new Float64Array(n + 1)] as const;
  directions(f, (ux, uy, uz, share) => {
    const hx = f.lengthMm * (ux - (w[0] * uz) / w[2]);
    let hy = f.lengthMm * (uy - (w[1] * uz) / w[2]);
    // A shadow along the row lies in one strip.
    if (Math.abs(hy) < strip) hy = hy < 0 ? -strip : strip;
    const cross = Math.hypot(uy * w[2] - uz * w[1], uz * w[0] - ux * w[2], ux * w[1] - uy * w[0]);
    const deep = (share * f.q * f.lengthMm * cross) / cos / Math.abs(hy);
    const slope = hx / hy;
    const a = zero + Math.min(0, hy) / strip;
    const b = zero + Math.max(0, hy) / strip;
    const [i, j] = [Math.floor(a), Math.min(n - 1, Math.floor(b))];
    for (let k = 0; k < 3; k++) {
      const d = deep * slope ** k;
      const at = m[k]!;
      // Differences: whole from i + 1 to j - 1, in part at both ends.
      if (i === j) {
        at[i]! += d * (b - a);
        at[i + 1]! -= d * (b - a);
      } else {
        at[i]! += d * (i + 1 - a);
        at[i + 1]! += d * (a - i);
        at[j]! -= d * (1 - (b - j));
        at[j + 1]! -= d * (b - j);
      }
    }
  });
  const layers = new Float64Array(n);
  const spread = new Float64Array(n);
  const sum = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < 3; k++) sum[k]! += m[k]![i]!;
    layers[i] = Math.max(0, sum[0]!);
    const t = (i + 0.5 - zero) * strip;
    if (sum[0]! > 1e-12) spread[i] = Math.abs(t) * Math.sqrt(Math.max(0, sum[2]! / sum[0]! - (sum[1]! / sum[0]!) ** 2));
  }
  return { layers, spread, stripMm: strip };
}

/** Share of a bell curve below x (Abramowitz and Stegun 26.2.17, from memory; to 1e-7). */
function below(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    0.3989422804 *
    Math.exp((-x * x) / 2) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x >= 0 ? 1 - tail : tail;
}

const ACROSS = 16;
/** Fibres of neighbouring pinches scattered so much wider than their pitch lie evenly: the ripple left is below 1e-4 of them. */
const EVENED = 0.72;

/** Share a row leaves bare of a strip with n layers on the mean, pinches spread by `sd` along it. */
function leftBare(f: RowsOfFur, n: number, sd: number): number {
  if (f.pitchMm <= f.widthMm || n < 1e-9 || sd > EVENED * f.pitchMm) return bareShare(n, f.kappa, f.unevenness);
  let bare = 0;
  const reach = Math.ceil((3.5 * sd + f.widthMm) / f.pitchMm);
  // From a pinch to half way to the next; the other half is its mirror image.
  for (let i = 0; i < ACROSS / 2; i++) {
    const x = ((i + 0.5) / ACROSS) * f.pitchMm;
    let at = 0;
    for (let k = -reach; k <= reach; k++) {
      const d = x - k * f.pitchMm;
      if (sd < 1e-6) at += Math.abs(d) <= f.widthMm / 2 ? 1 : 0;
      else at += below((d + f.widthMm / 2) / sd) - below((d - f.widthMm / 2) / sd);
    }
    bare += bareShare((n * at * f.pitchMm) / f.widthMm, f.kappa, f.unevenness) / (ACROSS / 2);
  }
  return bare;
}

/** Share of the base that rows of fur hide from a view. */
export function hiddenBy(f: RowsOfFur, view: View): number {
  const { layers, spread, stripMm } = shadows(f, view);
  const n = layers.length;
  const bare = Float64Array.from(layers, (l, i) => leftBare(f, l, spread[i]!));
  if (f.single) {
    const [from, to] = [n / 2 - Math.round((f.lengthMm * Math.cos(f.liftDeg * rad)) / stripMm), n / 2];
    let sum = 0;
    for (let i = Math.max(0, from); i < to; i++) sum += bare[i]!;
    return 1 - sum / Math.max(1, to - Math.max(0, from));
  }
  const period = Math.round(f.spacingMm / stripMm);
  let all = 0;
  for (let i = 0; i < period; i++) {
    let left = 1;
    for (let k = i; k < n; k += period) left *= bare[k]!;
    all += left / period;
  }
  return 1 - all;
}
