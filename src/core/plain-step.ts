/** A step that takes no wool and no needle, before anything is said of it. */
export const PLAIN_STEP = {
  materials: [],
  cutLengthMm: null,
  rows: 0,
  passes: null,
  needlework: null,
  tools: [],
  lightness: 50,
  caution: null,
} as const;
