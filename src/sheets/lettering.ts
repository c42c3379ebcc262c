/** Words on a picture, set from the typeface of the sheets: outlines filled with as much of each pixel as they cover. */
import * as fontkit from 'fontkit';
import type { Still } from '@/core/picture/still';
import type { SheetFonts } from './fonts';

/** A picture with room to draw on. Pixels from the left and the top. */
type Paintable = Pick<Still, 'width' | 'height' | 'rgb'>;
type Colour = readonly [number, number, number];

/** Straight pieces a curve is cut into. */
const PIECES = 6;

/** Lays a colour on a picture by the share of each pixel that is covered. Closed outlines, each stride 2, pixels. */
export function fill(on: Paintable, outlines: readonly (readonly number[])[], colour: Colour): void {
  const { width: w, height: h } = on;
  // What an edge adds to the pixels to its right, and where it crosses a pixel that pixel's share.
  const change = new Float32Array((w + 2) * h);
  for (const o of outlines)
    for (let i = 0; i < o.length; i += 2)
      edge(change, w, h, o[i]!, o[i + 1]!, o[(i + 2) % o.length]!, o[(i + 3) % o.length]!);
  for (let y = 0; y < h; y++) {
    let sum = 0;
    for (let x = 0; x < w; x++) {
      sum += change[y * (w + 2) + x]!;
      const share = Math.min(1, Math.abs(sum));
      if (share < 1 / 512) continue;
      const at = 3 * (y * w + x);
      for (let k = 0; k < 3; k++) on.rgb[at + k] = Math.round(on.rgb[at + k]! * (1 - share) + colour[k]! * share);
    }
  }
}

/** What an edge adds to the pixels of each row, so that their running sum is the share covered. After the published way of exact coverage by accumulated areas; from memory. */
function edge(into: Float32Array, w: number, h: number, ax: number, ay: number, bx: number, by: number): void {
  if (ay === by) return;
  const down = ay < by ? 1 : -1;
  const [x0, y0, x1, y1] = down > 0 ? [ax, ay, bx, by] : [bx, by, ax, ay];
  const slope = (x1 - x0) / (y1 - y0);
  const inside = (x: number) => Math.max(0, Math.min(w, x));
  for (let y = Math.max(0, Math.floor(y0)); y < Math.min(h, Math.ceil(y1)); y++) {
    const [top, bottom] = [Math.max(y, y0), Math.min(y + 1, y1)];
    const d = (bottom - top) * down;
    const [p, q] = [inside(x0 + slope * (top - y0)), inside(x0 + slope * (bottom - y0))];
    const [l, r] = [Math.min(p, q), Math.max(p, q)];
    const row = y * (w + 2);
    const first = Math.floor(l);
    const past = Math.ceil(r);
    if (past <= first + 1) {
      const middle = (l + r) / 2 - first;
      into[row + first]! += d * (1 - middle);
      into[row + first + 1]! += d * middle;
      continue;
    }
    const s = 1 / (r - l);
    const lf = l - first;
    const rf = r - past + 1;
    const begins = 0.5 * s * (1 - lf) ** 2;
    const ends = 0.5 * s * rf * rf;
    into[row + first]! += d * begins;
    if (past === first + 2) into[row + first + 1]! += d * (1 - begins - ends);
    else {
      const next = s * (1.5 - lf);
      into[row + first + 1]! += d * (next - begins);
      for (let x = first + 2; x < past - 1; x++) into[row + x]! += d * s;
      into[row + past - 1]! += d * (1 - next - (past - first - 3) * s - ends);
    }
    into[row + past]! += d * ends;
  }
}

/** Writes words on a picture, their base line at (x, y). @returns how wide they are, pixels */
export type Letterer = (
  on: Paintable | null,
  words: string,
  x: number,
  y: number,
  sizePx: number,
  colour: Colour,
) => number;

/** A letterer for a typeface; what the main file lacks is taken from the further one. */
export function letterer(fonts: SheetFonts): Letterer {
  const faces = [fonts['latin-400'], fonts['latin-ext-400']].map((f) => fontkit.create(f as Buffer) as fontkit.Font);
  return (on, words, x, y, sizePx, colour) => {
    let at = x;
    const outlines: number[][] = [];
    for (const letter of words) {
      const code = letter.codePointAt(0)!;
      const face = faces.find((f) => f.hasGlyphForCodePoint(code)) ?? faces[0]!;
      const glyph = face.glyphForCodePoint(code);
      const k = sizePx / face.unitsPerEm;
      if (on) outlines.push(...outlinesOf(glyph.path.commands, at, y, k));
      at += glyph.advanceWidth * k;
    }
    if (on) fill(on, outlines, colour);
    return at - x;
  };
}

function outlinesOf(commands: fontkit.Path['commands'], x: number, y: number, k: number): number[][] {
  const out: number[][] = [];
  let now: number[] = [];
  const put = (px: number, py: number) => now.push(x + k * px, y - k * py);
  let [cx, cy] = [0, 0];
  for (const { command, args: a } of commands) {
    if (command === 'moveTo') out.push((now = []));
    if (command === 'moveTo' || command === 'lineTo') put(a[0]!, a[1]!);
    else if (command === 'quadraticCurveTo' || command === 'bezierCurveTo') {
      for (let i = 1; i <= PIECES; i++) {
        const t = i / PIECES;
        const s = 1 - t;
        const of = (c: number, o: number) =>
          a.length === 4
            ? s * s * c + 2 * s * t * a[o]! + t * t * a[2 + o]!
            : s ** 3 * c + 3 * s * s * t * a[o]! + 3 * s * t * t * a[2 + o]! + t ** 3 * a[4 + o]!;
        put(of(cx, 0), of(cy, 1));
      }
    }
    if (a.length >= 2) [cx, cy] = [a[a.length - 2]!, a[a.length - 1]!];
  }
  return out;
}
