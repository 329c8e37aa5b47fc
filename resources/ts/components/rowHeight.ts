/** The height of a row as the style sheet has it: higher where fingers point, or where a row is two lines. */
export function rowHeight(variable: '--row' | '--lane', otherwise: number): number {
  return parseInt(getComputedStyle(document.documentElement).getPropertyValue(variable)) || otherwise
}
