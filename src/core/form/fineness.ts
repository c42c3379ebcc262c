/** Side of the skin's grid: about 1.5 mm for an animal of 185 mm, always the same share of its longest way across. */
export const EDGE_SHARE = 1 / 125;

/** The same for a slow machine: lengths, areas and wool come out within a percent or two; the smallest areas are lost. */
export const COARSE_SHARE = 1 / 85;

/** First figures of another shape, until it is worked out as finely as asked: within a few percent. */
export const FIRST_SHARE = 1 / 68;
