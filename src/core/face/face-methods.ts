/** Formulas of the face, each once. */
import { letter, method } from '@/core/method/define';

const rad = (deg: number): number => (deg * Math.PI) / 180;
const deg = (r: number): number => (r * 180) / Math.PI;

export const eyeFactor = method({
  id: 'eye-factor',
  title: 'Eye against life',
  formula: 'f = D × s / e',
  inputs: {
    size: letter('D', 'diameter of the eye', 'fine'),
    scale: letter('s', 'one part of the piece stands for so many in life', 'number'),
    life: letter('e', 'width of the eye in life', 'fine'),
  },
  result: letter('f', '1 is life size; larger reads as younger and softer', 'number'),
  source: 'Realists keep near life scale; bigger eyes read as cuter. Bounds of the words are ours.',
  basis: 'common practice',
  of: ({ size, scale, life }) => (size * scale) / life,
});

export const eyeFromPicture = method({
  id: 'eye-from-picture',
  title: 'Eye of the photograph at the size of the piece',
  formula: 'D = H × (e / h)',
  inputs: {
    head: letter('H', 'width of the head of the piece', 'fine'),
    eye: letter('e', 'width of the eye in the photograph', 'number'),
    width: letter('h', 'width of the head in the photograph', 'number'),
  },
  result: letter('D', 'eye of life size', 'fine'),
  source: 'Similar figures: proportions do not change with scale.',
  basis: 'published',
  of: ({ head, eye, width }) => head * (eye / width),
});

export const seenDisc = method({
  id: 'seen-disc',
  title: 'How wide the eye is seen in its socket',
  formula: 'd = D while t ≤ D/2, else 2 √(t (D − t))',
  inputs: {
    size: letter('D', 'diameter of the bead', 'fine'),
    deep: letter('t', 'depth of its back below the rim', 'fine'),
  },
  result: letter('d', 'width of the disc seen', 'fine'),
  source: 'A sphere cut by the plane of the rim.',
  basis: 'published',
  of: ({ size, deep }) => (deep <= size / 2 ? size : 2 * Math.sqrt(Math.max(0, deep * (size - deep)))),
});

export const standsOut = method({
  id: 'stands-out',
  title: 'How far the eye stands out',
  formula: 'h = D − t',
  inputs: {
    size: letter('D', 'diameter of the bead', 'fine'),
    deep: letter('t', 'depth of its back below the rim', 'fine'),
  },
  result: letter('h', 'highest point over the rim; below 0 it lies under the rim', 'fine'),
  source: 'A sphere cut by the plane of the rim.',
  basis: 'published',
  of: ({ size, deep }) => size - deep,
});

export const stemGap = method({
  id: 'stem-gap',
  title: 'Between the two stems',
  formula: 'gap = max(0, E − 2 l sin τ cos δ) − w',
  inputs: {
    apart: letter('E', 'from one stem to the other where they start', 'fine'),
    long: letter('l', 'length of a stem', 'fine'),
    inward: letter('τ', 'angle inward', 'angle'),
    down: letter('δ', 'angle downward', 'angle'),
    thick: letter('w', 'thickness of a stem', 'fine'),
  },
  result: letter('gap', 'wool left between them; below 0 they meet', 'fine'),
  source: 'Two mirrored stretches come nearest at their ends.',
  basis: 'published',
  of: ({ apart, long, inward, down, thick }) =>
    Math.max(0, apart - 2 * long * Math.sin(rad(inward)) * Math.cos(rad(down))) - thick,
});

export const stemsTouch = method({
  id: 'stems-touch',
  title: 'Angle inward at which the stems touch',
  formula: 'τ = asin((E − w) / (2 l cos δ))',
  inputs: {
    apart: letter('E', 'from one stem to the other where they start', 'fine'),
    long: letter('l', 'length of a stem', 'fine'),
    down: letter('δ', 'angle downward', 'angle'),
    thick: letter('w', 'thickness of a stem', 'fine'),
  },
  result: letter('τ', 'they touch from here on; 90 and more: never', 'angle'),
  source: 'The gap of mirrored stems set to nothing.',
  basis: 'published',
  of: ({ apart, long, down, thick }) => {
    const s = (apart - thick) / (2 * long * Math.cos(rad(down)));
    return s > 1 ? Infinity : deg(Math.asin(Math.max(0, s)));
  },
});

export const eyeWool = method({
  id: 'eye-wool',
  title: 'Wool of one eye',
  formula: 'm = π/6 × D³ × ρ',
  inputs: {
    size: letter('D', 'diameter of the felted ball', 'fine'),
    density: letter('ρ', 'density it is felted to, in mg per cm³', 'density', 'small'),
  },
  result: letter('m', 'wool', 'mass'),
  source: 'Volume of a ball; density ours until a swatch replaces it.',
  basis: 'ours',
  of: ({ size, density }) => (((Math.PI / 6) * size ** 3) / 1000) * (density / 1000),
});

export const discWool = method({
  id: 'disc-wool',
  title: 'Wool of one flat eye',
  formula: 'm = π/4 × D² × t × ρ',
  inputs: {
    size: letter('D', 'diameter of the eye', 'fine'),
    deep: letter('t', 'depth it is felted in', 'fine', 'small'),
    density: letter('ρ', 'density it is felted to, in mg per cm³', 'density'),
  },
  result: letter('m', 'wool', 'mass'),
  source: 'Volume of a disc; density ours until a swatch replaces it.',
  basis: 'ours',
  of: ({ size, deep, density }) => (((Math.PI / 4) * size ** 2 * deep) / 1000) * (density / 1000),
});

export const beforeFelting = method({
  id: 'before-felting',
  title: 'How large the loose ball is',
  formula: 'D0 = D × (ρ / ρ0)^(1/3)',
  inputs: {
    size: letter('D', 'diameter of the felted ball', 'fine'),
    felted: letter('ρ', 'density it is felted to, in mg per cm³', 'density'),
    loose: letter('ρ0', 'density as it is rolled, in mg per cm³', 'density', 'loose'),
  },
  result: letter('D0', 'diameter of the loose ball', 'fine'),
  source: 'The wool stays the same while the ball shrinks; densities ours until a trial ball replaces them.',
  basis: 'ours',
  of: ({ size, felted, loose }) => size * Math.cbrt(felted / loose),
});

export const threadNeed = method({
  id: 'thread-need',
  title: 'Thread of a set of whiskers',
  formula: 'T = (2 L + through) × (1 + waste) summed over all',
  inputs: {
    free: letter('Σ L', 'all free ends together', 'fine'),
    through: letter('Σ through', 'all ways through the head together', 'fine'),
    extra: letter('Σ ends', 'what is cut off, at the end of each thread', 'fine'),
  },
  result: letter('T', 'thread to have', 'fine'),
  source: 'Each thread goes in on one side and out on the other; what is cut off is ours.',
  basis: 'ours',
  of: ({ free, through, extra }) => free + through + extra,
});

export const tolerance = method({
  id: 'face-tolerance',
  title: 'What still counts as level',
  formula: 'tol = max(0.5 mm, 2 % × H)',
  inputs: { head: letter('H', 'width of the head', 'fine') },
  doubt: 'level',
  result: letter('tol', 'difference between the sides that is let pass', 'fine'),
  source: 'Ours: no agreed figure exists; replace it by what you can see.',
  basis: 'ours',
  of: ({ head }) => Math.max(0.5, 0.02 * head),
});
