/** The formulas of felted feathers: number, sheet, wool, waste, cover, loft. Lengths mm, areas mm2, masses g. */
import { letter, method } from '@/core/method/define';
import { featherArea, feathersHide, throughFelt } from '@/core/coat/cover/feather-shape';

/** Sheet felted for one feather over the oblong it is cut from: scissors need a little between two. Ours. */
export const BETWEEN = 1.1;

export const featherCount = method({
  id: 'feather-count',
  title: 'Number of feathers',
  formula: 'k = Σ over rows of ⌈row length / pitch⌉',
  inputs: {
    feathers: letter('Σ', 'sum over the rows', 'count'),
    pitch: letter('pitch', 'feather to feather', 'length'),
  },
  result: letter('k', 'feathers', 'count'),
  source: 'Counting; rows are staggered by half a feather.',
  basis: 'ours',
  of: ({ feathers }) => feathers,
});

export const featherLength = method({
  id: 'feather-length',
  title: 'Length of a feather as it is cut',
  formula: 'c = L + root',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    root: letter('root', 'taken by the needling', 'length'),
  },
  result: letter('c', 'length as it is cut', 'length'),
  source: 'What shows and what is needled in.',
  basis: 'common practice',
  of: ({ length, root }) => length + root,
});

export const featherSheet = method({
  id: 'feather-sheet',
  title: 'Felt the feathers are cut from',
  formula: 'S = k W (L + root) × 1.1',
  inputs: {
    feathers: letter('k', 'feathers', 'count'),
    width: letter('W', 'width of a feather', 'length'),
    cut: letter('c', 'length as it is cut, L + root', 'length'),
  },
  result: letter('S', 'area of the sheet', 'area'),
  source: 'Each is cut from an oblong, with a little left between two for the scissors (ours).',
  basis: 'ours',
  of: ({ feathers, width, cut }) => feathers * width * cut * BETWEEN,
});

export const featherWool = method({
  id: 'feather-wool',
  title: 'Wool for the feathers',
  formula: 'M = S τ ρ (1 + loss) × a',
  inputs: {
    sheet: letter('S', 'area of the sheet', 'area'),
    thick: letter('τ', 'thickness of the felt', 'length'),
    density: letter('ρ', 'density of flat felt', 'density', 'core'),
    loss: letter('loss', 'lost in handling', 'share', 'lost'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('M', 'wool to take from the lot', 'mass'),
  source: 'Volume of the sheet; density ours until a swatch replaces it.',
  basis: 'ours',
  of: ({ sheet, thick, density, loss, habit }) => ((sheet * thick * density) / 1e6) * (1 + loss) * habit,
});

export const featherWaste = method({
  id: 'feather-waste',
  title: 'Felt left over',
  formula: 'W = (S − k A) τ ρ,  A = W (L + root − t) + π W t / 4',
  inputs: {
    sheet: letter('S', 'area of the sheet', 'area'),
    feathers: letter('k', 'feathers', 'count'),
    width: letter('W', 'width of a feather', 'length'),
    cut: letter('c', 'length as it is cut, L + root', 'length'),
    tip: letter('t', 'how much of it is tip', 'length'),
    thick: letter('τ', 'thickness of the felt', 'length'),
    density: letter('ρ', 'density of flat felt', 'density', 'core'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
  },
  result: letter('W', 'left over', 'mass'),
  source: 'What is not feather; its tip is half an ellipse.',
  basis: 'ours',
  of: ({ sheet, feathers, width, cut, tip, thick, density, habit }) =>
    (((sheet - feathers * featherArea({ lengthMm: cut, widthMm: width, tipMm: tip })) * thick * density) / 1e6) * habit,
});

export const featherAreal = method({
  id: 'feather-areal',
  title: 'Felt on a square cm',
  formula: 'm = A τ ρ a / (p s)',
  inputs: {
    area: letter('A', 'area of a feather that shows', 'area'),
    thick: letter('τ', 'thickness of the felt', 'length'),
    density: letter('ρ', 'density of flat felt', 'density', 'core'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
    pitch: letter('p', 'feather to feather', 'length'),
    spacing: letter('s', 'row spacing', 'length'),
  },
  result: letter('m', 'felt on a square cm', 'areal'),
  source: 'One feather for every place of the lattice they are set in.',
  basis: 'ours',
  of: ({ area, thick, density, habit, pitch, spacing }) => ((area / (pitch * spacing)) * thick * density * habit) / 10,
});

export const featherCover = method({
  id: 'feather-cover',
  title: 'Base hidden by feathers',
  formula:
    'C = 1 − mean over the lattice of b^n,  b = (1 + κ τ ρ a c² / m1)^(−1/c²),  reach = L (cos lift − sin lift tan T)',
  inputs: {
    length: letter('L', 'finished length', 'length'),
    width: letter('W', 'width of a feather', 'length'),
    tip: letter('t', 'how much of it is tip', 'length'),
    pitch: letter('p', 'feather to feather', 'length'),
    spacing: letter('s', 'row spacing', 'length'),
    lift: letter('lift', 'angle of the feathers off the skin', 'angle'),
    tilt: letter('T', 'line of sight off straight down, against the lie', 'angle'),
    thick: letter('τ', 'thickness of the felt', 'length'),
    density: letter('ρ', 'density of flat felt', 'density', 'core'),
    habit: letter('a', 'laid over meant, from weighed swatches; 1 without', 'number', 'lay'),
    layer: letter('m1', 'mass of one mean layer of fibre', 'areal'),
    kappa: letter('κ', 'spread of this form of wool', 'number', 'hides'),
    unevenness: letter('c', 'unevenness of laying', 'number'),
  },
  result: letter('C', 'share of the base hidden', 'share'),
  source:
    'n feathers over a place, counted over one cell of the lattice; each lets through what so thin a felt does (Poisson cover). Geometry; clumping and unevenness ours.',
  basis: 'ours',
  of: (x) =>
    feathersHide(
      { lengthMm: x.length, widthMm: x.width, tipMm: x.tip },
      {
        pitchMm: x.pitch,
        spacingMm: x.spacing,
        through: throughFelt((x.thick * x.density * x.habit) / 10, x.layer, x.kappa, x.unevenness),
      },
      x.length *
        (Math.cos((x.lift * Math.PI) / 180) - Math.sin((x.lift * Math.PI) / 180) * Math.tan((x.tilt * Math.PI) / 180)),
    ),
});

export const featherLoft = method({
  id: 'feather-loft',
  title: 'Loft of laid feathers',
  formula: 'h = r max(n τ, (L − s / 2) sin lift + τ),  n = A / (p s)',
  inputs: {
    area: letter('A', 'area of a feather that shows', 'area'),
    length: letter('L', 'finished length', 'length'),
    lift: letter('lift', 'angle of the feathers off the skin', 'angle'),
    thick: letter('τ', 'thickness of the felt', 'length'),
    pitch: letter('p', 'feather to feather', 'length'),
    spacing: letter('s', 'row spacing', 'length'),
    rise: letter('r', 'measured over worked out, from practice swatches; 1 without', 'number', 'stands'),
  },
  result: letter('h', 'thickness added', 'length'),
  source: 'Sheets lying on each other, or the middle of what shows of a sheet that stands off. Geometry.',
  basis: 'ours',
  of: ({ area, length, lift, thick, pitch, spacing, rise }) =>
    rise *
    Math.max(
      (area / (pitch * spacing)) * thick,
      Math.max(0, length - spacing / 2) * Math.sin((lift * Math.PI) / 180) + thick,
    ),
});
