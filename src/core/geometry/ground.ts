/**
 * The ground of a relief: a box whose front is raised and sunk in places. What lies before the front moves with it, what lies in the box is
 * stretched between its back and its front, so the back stays flat. Never faster than distance. Lengths mm; x is forward out of the board.
 */

/** A place of the front, oval, raised or sunk (less than nothing) by so much in its middle and running out towards its rim. */
export interface Mound {
  readonly y: number;
  readonly z: number;
  readonly halfHigh: number;
  readonly halfLong: number;
  readonly raise: number;
  /** Share of the way from its middle to its rim over which it runs out. */
  readonly soft: number;
}

export interface GroundFront {
  readonly backX: number;
  readonly thick: number;
  readonly mounds: readonly Mound[];
  /** At most so much faster than distance what is moved changes. */
  readonly fastest: number;
}

/** From all of it at its middle to nothing at its rim, level at both. */
function share(m: Mound, y: number, z: number): number {
  const [a, b] = [(y - m.y) / m.halfHigh, (z - m.z) / m.halfLong];
  const r = Math.sqrt(a * a + b * b);
  const t = Math.min(1, Math.max(0, (1 - r) / m.soft));
  return t * t * (3 - 2 * t);
}

/** How far the front is moved there. */
export function raisedAt(mounds: readonly Mound[], y: number, z: number): number {
  let h = 0;
  for (const m of mounds) h += m.raise * share(m, y, z);
  return h;
}

/** @returns null where nothing is raised or sunk */
export function groundFront(backX: number, thick: number, mounds: readonly Mound[]): GroundFront | null {
  if (mounds.length === 0) return null;
  // The steepest of a smooth step is half as steep again as a straight one.
  const slope = mounds.reduce((s, m) => s + (1.5 * Math.abs(m.raise)) / (m.soft * Math.min(m.halfHigh, m.halfLong)), 0);
  const sunk = mounds.reduce((s, m) => s + Math.min(0, m.raise), 0);
  const stretched = thick / Math.max(0.05 * thick, thick + sunk);
  return { backX, thick, mounds, fastest: Math.hypot(stretched, slope) };
}

/** Where a place would lie if the front were flat. */
export function flatX(g: GroundFront, x: number, y: number, z: number): number {
  const h = Math.max(raisedAt(g.mounds, y, z), -0.95 * g.thick);
  const off = x - g.backX;
  if (off <= 0) return x;
  return off >= g.thick + h ? x - h : g.backX + (off * g.thick) / (g.thick + h);
}
