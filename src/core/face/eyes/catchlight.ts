/**
 * Where a lamp shows in a shiny eye: the highlight lies where the surface faces half way between lamp and viewer. Looked at
 * from straight in front, with the lamp far away.
 */

export interface Catchlight {
  /** To the viewer's right and up, in radii of the eye. */
  readonly x: number;
  readonly y: number;
  /** Distance from the middle, in radii. */
  readonly r: number;
  /** As on a clock face seen by the viewer, above 0 up to 12. */
  readonly hour: number;
}

/** @param sideDeg to the viewer's right  @param heightDeg above the eye; the viewer stands at 0, 0 */
export function catchlight(sideDeg: number, heightDeg: number): Catchlight {
  const a = (sideDeg * Math.PI) / 180;
  const e = (heightDeg * Math.PI) / 180;
  const l = [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)] as const;
  const h = [l[0], l[1], l[2] + 1] as const;
  const n = Math.hypot(...h);
  // A lamp right behind the eye has no half way; it shows at the rim.
  const [x, y] = n > 1e-9 ? [h[0] / n, h[1] / n] : [0, 1];
  const hour = (((Math.atan2(x, y) * 180) / Math.PI / 30) % 12) + 12;
  return { x, y, r: Math.hypot(x, y), hour: hour % 12 === 0 ? 12 : hour % 12 };
}

/** The other school: the light of the second eye mirrors that of the first. */
export const mirroredLight = (c: Catchlight): Catchlight => ({ ...c, x: -c.x, hour: c.hour === 12 ? 12 : 12 - c.hour });
