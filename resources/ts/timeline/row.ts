/** Pixels that the ruler is high, and each track below it. */
export const RULER = 34
export const ROW = 64
