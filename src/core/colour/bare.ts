/** Colour of core wool where none is chosen, and of bare core in every picture. */
export const BARE_CORE = '#cbc6bc';
