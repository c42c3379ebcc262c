/**
 * The midline of a face from landmarks on a flat picture: pairs that should mirror each other, and single ones that should
 * lie on it. Least squares has a closed form: with n across and t along the line, a pair adds
 * (n.(L+R) - 2c)^2 + (t.(L-R))^2 and a single landmark (2 (n.S - c))^2; c is a mean, and n the eigenvector of the smaller
 * eigenvalue of a 2 by 2 matrix. One bad click must not bend the line: the fit starts from the least median of squares
 * (Rousseeuw 1984) over what single landmarks and pairs suggest and goes on with Tukey's biweight.
 */
export type Flat = readonly [number, number];

export interface Landmarks {
  readonly pairs: readonly { readonly id: string; readonly left: Flat; readonly right: Flat }[];
  readonly singles: readonly { readonly id: string; readonly at: Flat }[];
}

interface PairOff {
  readonly id: string;
  /** Left above right, along the midline; mm. */
  readonly higherMm: number;
  /** Left further from the midline than right, mm. */
  readonly widerMm: number;
  /** Their line against square to the midline; left above positive, degrees. */
  readonly tiltDeg: number;
}

export interface Midline {
  /** Unit direction along it, upward. */
  readonly along: Flat;
  /** A point on it. */
  readonly at: Flat;
  /** Leaning of the midline from upright in the picture, clockwise positive, degrees. */
  readonly leanDeg: number;
  readonly pairs: readonly PairOff[];
  /** Single landmarks beside the midline; to the animal's left positive, mm. */
  readonly singles: readonly { readonly id: string; readonly besideMm: number }[];
  /** How strongly each landmark holds the line, 0..1; the sum is 2. */
  readonly leverage: readonly { readonly id: string; readonly share: number }[];
  /** Landmarks left out because they lie where no other agrees. */
  readonly outliers: readonly string[];
}

interface Line {
  readonly n: Flat;
  readonly c: number;
}

interface Item {
  readonly id: string;
  readonly left: Flat;
  readonly right: Flat;
  readonly single: boolean;
}

const dot = (a: Flat, b: Flat): number => a[0] * b[0] + a[1] * b[1];
/** Along the line, from across it: n points to the animal's left, which is the picture's right; t up. */
const alongOf = (n: Flat): Flat => [-n[1], n[0]];

/** Weighted closed form. @returns null when the landmarks do not fix a line */
function fit(items: readonly Item[], w: readonly number[]): Line | null {
  let total = 0;
  let mx = 0;
  let my = 0;
  items.forEach((it, i) => {
    total += w[i]!;
    mx += w[i]! * (it.left[0] + it.right[0]);
    my += w[i]! * (it.left[1] + it.right[1]);
  });
  if (total <= 0) return null;
  mx /= total;
  my /= total;
  // n minimises n'(A - B) n, A the scatter of the sums about their mean, B that of the differences.
  let xx = 0;
  let xy = 0;
  let yy = 0;
  items.forEach((it, i) => {
    const s = [it.left[0] + it.right[0] - mx, it.left[1] + it.right[1] - my] as const;
    const d = [it.left[0] - it.right[0], it.left[1] - it.right[1]] as const;
    xx += w[i]! * (s[0] * s[0] - d[0] * d[0]);
    xy += w[i]! * (s[0] * s[1] - d[0] * d[1]);
    yy += w[i]! * (s[1] * s[1] - d[1] * d[1]);
  });
  const half = Math.hypot((xx - yy) / 2, xy);
  if (half < 1e-12) return null;
  // Angle of the eigenvector of the larger eigenvalue; the smaller one stands square to it.
  const a = 0.5 * Math.atan2(2 * xy, xx - yy) + Math.PI / 2;
  let n: Flat = [Math.cos(a), Math.sin(a)];
  // The animal's left must lie on the positive side.
  const side = items.reduce((s, it, i) => s + w[i]! * dot(n, [it.left[0] - it.right[0], it.left[1] - it.right[1]]), 0);
  if (side < 0 || (side === 0 && n[0] < 0)) n = [-n[0], -n[1]];
  return { n, c: dot(n, [mx, my]) / 2 };
}

/** How far a landmark is from agreeing with a line: from its mirrored twin, or twice from the line; mm. */
function residual(it: Item, { n, c }: Line): number {
  const across = dot(n, it.left) + dot(n, it.right) - 2 * c;
  const t = alongOf(n);
  return Math.hypot(across, dot(t, it.left) - dot(t, it.right));
}

/** Tukey's constant for 95 % efficiency. */
const TUKEY = 4.685;
/** From the median of absolute residuals to a standard deviation, for two-dimensional normal residuals. */
const MEDIAN_TO_SD = 1 / 1.1774;

const median = (x: readonly number[]): number => {
  const s = [...x].sort((a, b) => a - b);
  const m = s.length >> 1;
  return s.length % 2 === 1 ? s[m]! : (s[m - 1]! + s[m]!) / 2;
};

/**
 * @param toleranceMm what still counts as level: smaller differences never make a landmark an outlier
 * @returns null when there is no pair and fewer than two single landmarks
 */
export function midline(marks: Landmarks, toleranceMm: number): Midline | null {
  const items: Item[] = [
    ...marks.pairs.map((p) => ({ ...p, single: false })),
    ...marks.singles.map((s) => ({ id: s.id, left: s.at, right: s.at, single: true })),
  ];
  if (marks.pairs.length === 0 && marks.singles.length < 2) return null;
  const all = fit(
    items,
    items.map(() => 1),
  );
  if (!all) return null;
  // Lines that one pair, or any two landmarks, suggest; the one most others agree with is the start.
  let start = all;
  let least = median(items.map((it) => residual(it, all)));
  for (let i = 0; i < items.length; i++) {
    for (let j = i; j < items.length; j++) {
      const line = fit(
        items,
        items.map((_, k) => (k === i || k === j ? 1 : 0)),
      );
      if (!line || (i === j && items[i]!.single)) continue;
      const m = median(items.map((it) => residual(it, line)));
      if (m < least - 1e-9) {
        least = m;
        start = line;
      }
    }
  }
  let line = start;
  let w = items.map(() => 1);
  if (items.length > 2) {
    for (let k = 0; k < 30; k++) {
      const off = items.map((it) => residual(it, line));
      const sd = Math.max(median(off) * MEDIAN_TO_SD, toleranceMm / 2);
      w = off.map((r) => (r < TUKEY * sd ? (1 - (r / (TUKEY * sd)) ** 2) ** 2 : 0));
      const next = fit(items, w);
      if (!next) break;
      const moved = Math.hypot(next.n[0] - line.n[0], next.n[1] - line.n[1], next.c - line.c);
      line = next;
      if (moved < 1e-10) break;
    }
  } else line = all;
  const { n, c } = line;
  const t = alongOf(n);
  return {
    along: t,
    at: [n[0] * c, n[1] * c],
    leanDeg: (Math.atan2(t[0], t[1]) * 180) / Math.PI,
    pairs: marks.pairs.map((p) => {
      const higherMm = dot(t, p.left) - dot(t, p.right);
      const apart = dot(n, p.left) - dot(n, p.right);
      return {
        id: p.id,
        higherMm,
        widerMm: dot(n, p.left) - c - (c - dot(n, p.right)),
        tiltDeg: (Math.atan2(higherMm, apart) * 180) / Math.PI,
      };
    }),
    singles: marks.singles.map((s) => ({ id: s.id, besideMm: dot(n, s.at) - c })),
    leverage: leverages(items, w, line),
    outliers: items.filter((_, i) => w[i]! < 0.05).map((it) => it.id),
  };
}

/** Diagonal of the hat matrix of the fit at its solution: rows by landmark, unknowns the angle and the place of the line. */
function leverages(items: readonly Item[], w: readonly number[], { n }: Line): { id: string; share: number }[] {
  const t = alongOf(n);
  const rows = items.map((it): [number, number][] => {
    const sum: Flat = [it.left[0] + it.right[0], it.left[1] + it.right[1]];
    const diff: Flat = [it.left[0] - it.right[0], it.left[1] - it.right[1]];
    // Turning the line by a small angle moves n by t and t by -n.
    return [
      [dot(t, sum), -2],
      [-dot(n, diff), 0],
    ];
  });
  let a = 0;
  let b = 0;
  let d = 0;
  rows.forEach((two, i) =>
    two.forEach(([p, q]) => {
      a += w[i]! * p * p;
      b += w[i]! * p * q;
      d += w[i]! * q * q;
    }),
  );
  const det = a * d - b * b;
  return items.map((it, i) => ({
    id: it.id,
    share:
      Math.abs(det) < 1e-12
        ? 1
        : rows[i]!.reduce((s, [p, q]) => s + (w[i]! * (p * p * d - 2 * p * q * b + q * q * a)) / det, 0),
  }));
}
