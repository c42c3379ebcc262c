/**
 * Colour measured side by side with named baselines in the same run: the search for recipes against looking at every blend
 * (with equal answers, or the run fails), and the palette of a photograph against one plain pass over its pixels.
 */
import { labOf } from '../src/core/colour/lab';
import { paletteOf } from '../src/core/colour/picture';
import { seeded } from '../src/core/random';
import { usualBlend } from '../src/core/wool/blend';
import { BlendTable } from '../src/core/shade/matching/blend-table';
import { matchBest } from '../src/core/shade/matching/match';
import { madeUpStock, matchExhaustive } from './match-baseline';

const WANTED = ['#8a5a3c', '#cbb79a', '#3d2b22'];

const time = <T>(work: () => T): { ms: number; value: T } => {
  const a = performance.now();
  const value = work();
  return { ms: performance.now() - a, value };
};
const median = (t: number[]): number => t.sort((a, b) => a - b)[t.length >> 1]!;

function search(lots: number, parts: number): string {
  const stock = madeUpStock(lots, 5);
  const table = new BlendTable(stock, usualBlend);
  matchBest(stock.slice(0, 8), new BlendTable(stock.slice(0, 8), usualBlend), ask(WANTED[0]!, parts), false);
  const query: number[] = [];
  const every: number[] = [];
  for (const w of WANTED) {
    const q = time(() => matchBest(stock, table, ask(w, parts), false));
    const e = time(() => matchExhaustive(stock, table, ask(w, parts)));
    if (JSON.stringify(q.value) !== JSON.stringify(e.value)) throw new Error(`answers differ for ${w}, ${lots} lots`);
    query.push(q.ms);
    every.push(e.ms);
  }
  return `| ${lots} | ${parts} | ${(median(query) / median(every)).toFixed(3)} | ${Math.round(median(query))} |`;
}

const ask = (hex: string, parts: number) => ({ target: labOf(hex), parts, how: usualBlend, needG: null, best: 5 });

/** 12 megapixels of five colours with noise. */
function photograph() {
  const [width, height] = [4000, 3000];
  const pixels = new Uint8ClampedArray(4 * width * height);
  const rnd = seeded(9);
  const colours = [
    [107, 68, 38],
    [230, 217, 180],
    [56, 39, 28],
    [122, 140, 96],
    [150, 170, 190],
  ] as const;
  for (let i = 0; i < width * height; i++) {
    const c = colours[Math.floor(((i % width) / width) * colours.length)]!;
    const noise = 12 * rnd();
    for (let k = 0; k < 3; k++) pixels[4 * i + k] = c[k]! + noise;
    pixels[4 * i + 3] = 255;
  }
  return { width, height, pixels };
}

/** The section of the report. */
export function shadeReport(): string {
  const rows = [
    [30, 8],
    [30, 16],
    [100, 8],
    [100, 16],
  ].map(([n, p]) => search(n!, p!));
  const picture = photograph();
  const pass = () => {
    let s = 0;
    for (const x of picture.pixels) s += x;
    return s;
  };
  pass();
  const plain = median([1, 2, 3].map(() => time(pass).ms));
  const palette = median([1, 2, 3].map(() => time(() => paletteOf(picture, 8)).ms));
  return `## Colour

The search for the best recipes of one to three wools, as a share of **looking at every blend** in the same run; both gave the
same answers for every wanted colour.

| wools | parts | search over every blend | ms here |
| ---: | ---: | ---: | ---: |
${rows.join('\n')}

The palette of a photograph of 12 megapixels: ${(palette / plain).toFixed(1)} times **one plain pass over its pixels**, ${Math.round(palette)} ms here.
`;
}
