/** How small things are measured off the animal and weighed. */
import { letter, method } from '@/core/method/define';

export const bandLength = method({
  id: 'band-length',
  title: 'Length of a band round a part',
  formula: 'l = g + π t + e + o',
  inputs: {
    girth: letter('g', 'thread drawn tight round the finished coat', 'length'),
    thick: letter('t', 'thickness of the band', 'length'),
    looser: letter('e', 'looser by', 'length'),
    overlap: letter('o', 'where its ends lie on each other', 'length'),
  },
  result: letter('l', 'length of the band', 'length'),
  source:
    'A thread lies along the convex hull of what it goes round; the middle of a band half its thickness further out is longer by π t (Steiner’s formula for convex outlines).',
  basis: 'published',
  of: ({ girth, thick, looser, overlap }) => girth + Math.PI * thick + looser + overlap,
});

export const scarfLength = method({
  id: 'scarf-length',
  title: 'Length of a scarf',
  formula: 'l = g + π t + e + w + 2 h',
  inputs: {
    girth: letter('g', 'thread drawn tight round the finished coat', 'length'),
    thick: letter('t', 'thickness of the scarf', 'length'),
    looser: letter('e', 'looser by', 'length'),
    wide: letter('w', 'where it crosses, as long as it is wide', 'length'),
    ends: letter('h', 'hanging end', 'length'),
  },
  result: letter('l', 'length of the scarf', 'length'),
  source: 'Once round, crossed, both ends hanging; measured as a band is.',
  basis: 'ours',
  of: ({ girth, thick, looser, wide, ends }) => girth + Math.PI * thick + looser + wide + 2 * ends,
});

export const loopLength = method({
  id: 'loop-length',
  title: 'Length of the strip that makes both loops',
  formula: 'l = 2 a + b',
  inputs: {
    across: letter('a', 'across both loops', 'length'),
    overlap: letter('b', 'where its ends lie on each other under the knot', 'length'),
  },
  result: letter('l', 'length of the strip', 'length'),
  source: 'A strip closed to a ring and pressed flat lies twice as long as the bow is wide.',
  basis: 'common practice',
  of: ({ across, overlap }) => 2 * across + overlap,
});

export const knotLength = method({
  id: 'knot-length',
  title: 'Length of the strip round the middle',
  formula: 'l = 2 (0.45 h + 5 t) + b',
  inputs: {
    high: letter('h', 'height of the loops', 'length'),
    thick: letter('t', 'thickness of the felt', 'length'),
    overlap: letter('b', 'where its ends lie on each other', 'length'),
  },
  result: letter('l', 'length of the strip', 'length'),
  source: 'Round the loops gathered to 0.45 of their height, four layers and itself; the gathering is ours.',
  basis: 'ours',
  of: ({ high, thick, overlap }) => 2 * (0.45 * high + 5 * thick) + overlap,
});

export const wallWidth = method({
  id: 'wall-width',
  title: 'Width of the wall of a basket',
  formula: 's = √(h² + ((D − d)/2)²)',
  inputs: {
    high: letter('h', 'height', 'length'),
    top: letter('D', 'across the top', 'length'),
    bottom: letter('d', 'across the bottom', 'length'),
  },
  result: letter('s', 'slant of the wall', 'length'),
  source: 'Frustum of a cone: its wall laid flat is part of a ring, as wide as its slant.',
  basis: 'published',
  of: ({ high, top, bottom }) => Math.hypot(high, (top - bottom) / 2),
});

export const woodMass = method({
  id: 'wood-mass',
  title: 'Weight of a piece of wood',
  formula: 'm = V × ρ',
  inputs: {
    volume: letter('V', 'volume', 'volume'),
    density: letter('ρ', 'density of air-dry wood, mg per cm³', 'density'),
  },
  result: letter('m', 'weight', 'mass'),
  source:
    'Densities at 12 % moisture as the Wood Handbook of the Forest Products Laboratory gives them, from memory: lime and pine about 0.40, birch and cherry 0.55, oak and beech 0.68 g per cm³.',
  basis: 'from memory',
  of: ({ volume, density }) => ((volume / 1000) * density) / 1000,
});

export const frameBar = method({
  id: 'frame-bar',
  title: 'Length of a bar of the frame',
  formula: 'l = b + 2 g + 2 p',
  inputs: {
    board: letter('b', 'side of the board', 'length'),
    gap: letter('g', 'gap round the board', 'length'),
    profile: letter('p', 'width of the bar', 'length'),
  },
  result: letter('l', 'length over the points of its mitres', 'length'),
  source: 'Mitred at 45°: each end runs out by the width of the bar.',
  basis: 'common practice',
  of: ({ board, gap, profile }) => board + 2 * gap + 2 * profile,
});

/** Air-dry, mg per cm3. */
export const WOOD_MG_CM3 = { light: 400, middling: 550, heavy: 680 } as const;
