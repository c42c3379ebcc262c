/**
 * Colours and their differences in words, so that nothing is told by colour alone. Thresholds in CIEDE2000, ours: under 1
 * nobody sees it, under 2 not at arm's length.
 */
import { difference } from '@/core/colour/difference';
import type { Triple } from '@/core/colour/lab';

const SAME = 1;
export const ARMS_LENGTH = 2;
export const SLIGHT = 5;
export const CLEAR = 10;
/** Neighbours nearer than this run into each other at arm's length. Ours. */
export const VANISHES = 12;

const hueOf = ([, a, b]: Triple): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
const chromaOf = ([, a, b]: Triple): number => Math.hypot(a, b);

/** What most sets a colour apart from another: lighter, darker, redder, greener, yellower, bluer, stronger, greyer. */
export function direction(from: Triple, to: Triple): string[] {
  const dL = to[0] - from[0];
  const da = to[1] - from[1];
  const db = to[2] - from[2];
  const dC = chromaOf(to) - chromaOf(from);
  const along = Math.hypot(da, db);
  const said: [number, string][] = [[Math.abs(dL), dL > 0 ? 'lighter' : 'darker']];
  // A change of strength alone is said as such; one of hue by its side.
  if (Math.abs(dC) > 0.9 * along && chromaOf(from) > 6) said.push([along, dC > 0 ? 'stronger' : 'greyer']);
  else {
    said.push([Math.abs(da), da > 0 ? 'redder' : 'greener']);
    said.push([Math.abs(db), db > 0 ? 'yellower' : 'bluer']);
  }
  said.sort((x, y) => y[0] - x[0]);
  const most = said[0]![0];
  return said.filter(([d]) => d >= 0.45 * most && d > 0.4).map(([, w]) => w);
}

/** How `seen` differs from `wanted`, in words. */
export function inWords(wanted: Triple, seen: Triple): string {
  const d = difference(wanted, seen);
  if (d < SAME) return 'the same';
  if (d < ARMS_LENGTH) return 'same at arm’s length';
  const way = direction(wanted, seen).slice(0, 2).join(' and ');
  return `${d < SLIGHT ? 'slightly' : d < CLEAR ? 'clearly' : 'much'} ${way}`;
}

/** Words of a difference with what it is a difference to: same as wanted, slightly redder than wanted. */
export const comparedTo = (what: string, words: string): string =>
  `${words} ${/^(the )?same/.test(words) ? 'as' : 'than'} ${what}`;

/** A plain name of a colour: how light, what hue. Ours. */
export function colourName(lab: Triple): string {
  const [l] = lab;
  const c = chromaOf(lab);
  const h = hueOf(lab);
  if (c < 5) {
    return l < 12 ? 'black' : l < 35 ? 'dark grey' : l < 62 ? 'grey' : l < 84 ? 'pale grey' : 'white';
  }
  const light = l < 22 ? 'very dark ' : l < 42 ? 'dark ' : l > 78 ? 'pale ' : '';
  if (c < 14 && l > 82 && h > 40 && h < 120) return 'off-white';
  if (h >= 30 && h < 95 && l < 68) {
    if (h < 50 && c > 38) return `${light}rust`;
    return `${light}${h < 55 ? 'red-brown' : h < 78 ? 'brown' : 'olive brown'}`;
  }
  const weak = c < 16 ? 'greyish ' : '';
  const hue =
    h < 20
      ? 'pink-red'
      : h < 50
        ? 'red'
        : h < 72
          ? 'orange'
          : h < 85
            ? 'sand'
            : h < 105
              ? 'yellow'
              : h < 160
                ? 'green'
                : h < 215
                  ? 'blue-green'
                  : h < 295
                    ? 'blue'
                    : h < 330
                      ? 'violet'
                      : 'pink';
  return `${light}${weak}${hue}`.trim();
}
