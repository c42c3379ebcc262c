/**
 * Colour difference CIEDE2000 (CIE 142-2001) as written out by Sharma, Wu and Dalal, "The CIEDE2000 color-difference
 * formula: implementation notes, supplementary test data, and mathematical observations", 2005. Parametric weights 1.
 */
import type { Triple } from './lab';

const RAD = Math.PI / 180;
const P25 = 25 ** 7;

/** Difference of two colours in L*a*b* under D65; symmetric. */
export function difference(p: Triple, q: Triple): number {
  const [l1, a1, b1] = p;
  const [l2, a2, b2] = q;
  const mean = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const m7 = mean ** 7;
  const g = 0.5 * (1 - Math.sqrt(m7 / (m7 + P25)));
  const u1 = (1 + g) * a1;
  const u2 = (1 + g) * a2;
  const c1 = Math.hypot(u1, b1);
  const c2 = Math.hypot(u2, b2);
  const hue = (a: number, b: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / RAD + 360) % 360);
  const h1 = hue(u1, b1);
  const h2 = hue(u2, b2);
  const grey = c1 * c2 === 0;
  let dh = grey ? 0 : h2 - h1;
  if (dh > 180) dh -= 360;
  else if (dh < -180) dh += 360;
  const dL = l2 - l1;
  const dC = c2 - c1;
  const dH = 2 * Math.sqrt(c1 * c2) * Math.sin((dh / 2) * RAD);
  const lm = (l1 + l2) / 2;
  const cm = (c1 + c2) / 2;
  let hm = h1 + h2;
  if (!grey) hm = Math.abs(h1 - h2) <= 180 ? hm / 2 : hm < 360 ? (hm + 360) / 2 : (hm - 360) / 2;
  const t =
    1 -
    0.17 * Math.cos((hm - 30) * RAD) +
    0.24 * Math.cos(2 * hm * RAD) +
    0.32 * Math.cos((3 * hm + 6) * RAD) -
    0.2 * Math.cos((4 * hm - 63) * RAD);
  const c7 = cm ** 7;
  const rt = -Math.sin(60 * Math.exp(-(((hm - 275) / 25) ** 2)) * RAD) * 2 * Math.sqrt(c7 / (c7 + P25));
  const l50 = (lm - 50) ** 2;
  const x = dL / (1 + (0.015 * l50) / Math.sqrt(20 + l50));
  const y = dC / (1 + 0.045 * cm);
  const z = dH / (1 + 0.015 * cm * t);
  return Math.sqrt(Math.max(0, x * x + y * y + z * z + rt * y * z));
}
