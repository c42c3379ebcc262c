/** Colours that mean the same in every picture. */

/** Colour of bare core wool. */
export { BARE_CORE as BARE } from '@/core/colour/bare';
/** Colour of what is chosen. */
export const MARK = '#1f4b73';
