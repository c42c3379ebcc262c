/**
 * Colours that mean the same in every picture, by their names; no other file of the interface writes one down. Drawn lines follow
 * the surround, light or dim; what is painted in 3D stands on the same ground in both.
 */

import { formatHex } from 'culori';

/** Colour of bare core wool. */
export { BARE_CORE as BARE } from '@/core/colour/bare';

/** Of lines and words in drawings. */
export const INK = 'var(--mui-palette-text-primary)';
export const QUIET_INK = 'var(--mui-palette-text-secondary)';
export const STAGE = 'var(--mui-palette-desk-stage)';
export const SHEET = 'var(--mui-palette-background-paper)';
/** What is chosen, or can be taken hold of. */
export const CHOSEN = 'var(--mui-palette-primary-main)';
export const GOOD = 'var(--mui-palette-success-main)';
export const CARE = 'var(--mui-palette-warning-main)';
export const HARM = 'var(--mui-palette-error-main)';

/** The same in 3D, where a name of the surround cannot be read. */
export const MARK = '#1f4b73';
/** Fur of a row pointed out: told from any wool, on light and dark alike. */
export const LIT = '#3f8fe0';
export const HARM_3D = '#9b2226';
export const CARE_3D = '#8a5a00';
export const INK_3D = '#1c2022';
export const LAMP = '#ffffff';
/** Painted as it is: the colours of the skin shine through. */
export const PLAIN = '#ffffff';

/** How much of the base is hidden: bare, shows, nearly, hidden, all. */
export const COVER = {
  bare: '#6d1317',
  shows: '#9b2226',
  nearly: '#c79a45',
  hidden: '#e9e9e6',
  all: '#f4f4f2',
} as const;
/** Which way the fur points, from root to tip. */
export const LIE = { root: '#111111', tip: '#4f8fc4' } as const;
/** Rows drawn on light and on dark wool. */
export const ROW = { onLight: '#2a2522', onDark: '#f4efe6' } as const;
/** The inside of the animal, whole and cut. */
export const INSIDE = {
  core: '#b79f7c',
  coreCut: '#8d7757',
  skin: '#dcd8cf',
  skinCut: '#a8a298',
  wire: '#1c2022',
} as const;
/** Layers a needle goes through: felt below, wool above. */
export const FELT = { firm: '#b9a58c', loose: '#d8cdbb' } as const;
/** A needle that is neither next nor chosen. */
export const STEEL = '#6c7173';
/** A place no needle may go, as it looks over the sheet. */
export const NO_NEEDLE = '#e0c3c2';
/** Parts of a time, told apart in grey as well. */
export const SHADES = ['#2b2f31', '#1f4b73', '#7f9cb8', '#8a5a00', '#b9bcbc'] as const;

/** What nobody has chosen a wool for yet. */
export const UNCHOSEN = {
  nose: '#3d332c',
  brow: '#4a3a2c',
  mouth: '#3a2d26',
  eye: '#17120f',
  roundEye: '#b9a98f',
  whiskers: '#f1efe8',
  ground: '#808080',
  marking: '#bfbfbd',
} as const;
/** A grey card as usually bought. */
export const USUAL_CARD = '#777777';

/** The turn that keeps a run of any length well apart round a circle. */
const GOLDEN = 137.508;
/** Areas told apart: as light and as quiet as each other, each of another hue, and each hatched its own way besides. */
export const areaTint = (i: number): string =>
  formatHex({ mode: 'oklch', l: 0.8, c: 0.075, h: (40 + GOLDEN * i) % 360 });
