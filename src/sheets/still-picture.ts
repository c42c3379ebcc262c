/**
 * A picture of the finished animal as a file: from one side, or all of them on one sheet; with or without its name and a scale bar. The
 * page's worker and the command line make it here, the same to the byte.
 */
import type { LIGHTINGS } from '@/core/picture/lighting';
import type { Turned } from '@/core/picture/lens';
import { still, type Still } from '@/core/picture/still';
import { faceTurned, fibresFor, SIDE_NAMES, SIDE_SAYS, turnedTo, type Side } from '@/core/picture/viewpoints';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { format, type Units } from '@/units/units';
import type { SheetFonts } from './fonts';
import { fill, letterer, type Letterer } from './lettering';
import { pngOf } from './png';

/** What it may be seen from: as it is turned, a side, the face near, or all of them. */
type SeenFrom = Turned | Side | 'face' | 'sheet';

export interface PictureAsked {
  readonly from: SeenFrom;
  readonly light: keyof typeof LIGHTINGS;
  readonly width: number;
  readonly height: number;
  /** With its name, side and a scale bar, in these units. */
  readonly named: Units | null;
}

const INK = [28, 32, 34] as const;
const PLATE = [222, 222, 220] as const;
/** Letters and bar as shares of the height of a picture. Ours. */
const LETTERS = 0.026;
const MARGIN = 0.03;
/** A bar is about so long, as a share of the width. Ours. */
const BAR = 0.16;
/** Lengths a bar may have: round in either unit, mm. */
const ROUND_MM = [1, 2, 5, 10, 20, 50, 100, 200, 500] as const;
const ROUND_IN = [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 2, 4, 8, 16].map((x) => x * 25.4);

/** The length nearest to what a bar should have, mm. */
export function barOf(perMm: number, width: number, units: Units): number {
  const want = (BAR * width) / perMm;
  const list = units.length === 'in' ? ROUND_IN : ROUND_MM;
  return list.reduce((a, b) => (Math.abs(Math.log(b / want)) < Math.abs(Math.log(a / want)) ? b : a));
}

function caption(on: Still, words: string, units: Units, write: Letterer): void {
  const { width: w, height: h, perMm } = on;
  const size = LETTERS * h;
  const edge = MARGIN * h;
  const line = h - edge;
  const bar = barOf(perMm, w, units);
  const long = bar * perMm;
  const right = w - edge;
  const thick = Math.max(1, Math.round(h / 400));
  const box = (x0: number, y0: number, x1: number, y1: number) => [x0, y0, x1, y0, x1, y1, x0, y1];
  const up = Math.round(line - 1.5 * size);
  // On a plate, so that it is read on dark fur as well.
  const plate = (x0: number, x1: number, top: number) =>
    fill(on, [box(x0 - size / 2, top, x1 + size / 2, line + size / 2)], PLATE);
  plate(right - long, right, up - size / 2);
  plate(edge, edge + write(null, words, 0, 0, size, INK), line - 1.1 * size);
  fill(
    on,
    [
      box(right - long, up - thick, right, up),
      box(right - long, up - 3 * thick, right - long + thick, up + 2 * thick),
      box(right - thick, up - 3 * thick, right, up + 2 * thick),
    ],
    INK,
  );
  const says = format({ kind: 'length', value: bar }, units);
  write(on, says, right - long / 2 - write(null, says, 0, 0, size, INK) / 2, line, size, INK);
  write(on, words, edge, line, size, INK);
}

const sideSays = (from: SeenFrom): string =>
  typeof from === 'string' ? (from === 'sheet' ? '' : from === 'face' ? 'the face' : SIDE_SAYS[from]) : '';

function one(
  piece: Piece,
  plan: Plan,
  cupboard: Cupboard,
  asked: Omit<PictureAsked, 'named'> & { readonly from: Exclude<SeenFrom, 'sheet'> },
  progress: (share: number) => void,
): Still | null {
  const { from, width, height, light } = asked;
  const near = from === 'face' ? faceTurned(plan) : null;
  if (from === 'face' && !near) return null;
  return still(piece, plan, cupboard, {
    turned: near?.turned ?? (typeof from === 'string' ? turnedTo(piece, from as Side) : from),
    zoom: near?.zoom ?? 1,
    ...(near ? { centre: near.centre } : {}),
    width,
    height,
    lighting: light,
    fibres: fibresFor(width, height),
    progress,
  });
}

/** Cells of a sheet: so many across, the animal from every side and its face. */
const ACROSS = 3;

/** @returns PNG, or null where the face is asked for and there is none @param progress told what share is done; may throw to stop */
export function stillPicture(
  piece: Piece,
  plan: Plan,
  cupboard: Cupboard,
  asked: PictureAsked,
  fonts: SheetFonts,
  progress: (share: number) => void = () => undefined,
): Uint8Array | null {
  const write = letterer(fonts);
  const { from, named, width, height } = asked;
  if (from !== 'sheet') {
    const made = one(piece, plan, cupboard, { ...asked, from }, progress);
    if (!made) return null;
    const side = sideSays(from);
    if (named) caption(made, side ? `${piece.name}, ${side}` : piece.name, named, write);
    return pngOf(made);
  }
  const sides: readonly (Side | 'face')[] = plan.face ? [...SIDE_NAMES, 'face'] : SIDE_NAMES;
  const [w, h] = [Math.floor(width / ACROSS), Math.floor(height / Math.ceil(sides.length / ACROSS))];
  const rgb = new Uint8Array(3 * width * height).fill(217);
  sides.forEach((side, i) => {
    const made = one(piece, plan, cupboard, { ...asked, from: side, width: w, height: h }, (s) =>
      progress((i + s) / sides.length),
    )!;
    if (named) caption(made, i === 0 ? `${piece.name}, ${sideSays(side)}` : sideSays(side), named, write);
    const [x0, y0] = [w * (i % ACROSS), h * Math.floor(i / ACROSS)];
    for (let y = 0; y < h; y++) rgb.set(made.rgb.subarray(3 * w * y, 3 * w * (y + 1)), 3 * ((y0 + y) * width + x0));
  });
  return pngOf({ width, height, rgb });
}
