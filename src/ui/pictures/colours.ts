/** Colours that mean the same in every picture. */

/** Colour of bare core wool. */
export const BARE = '#cbc6bc';
/** Colour of what is chosen. */
export const MARK = '#1f4b73';
