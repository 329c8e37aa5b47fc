/** A curve that is drawn by hand: what comes in and what goes out, point by point, from left to right. */
export type Drawn = [into: number, out: number][]
export interface Box {
  left: number
  right: number
  low: number
  high: number
}

export const pairs = (numbers: number[]): Drawn =>
  numbers.flatMap((into, i): Drawn => (i % 2 === 0 && i + 1 < numbers.length ? [[into, numbers[i + 1] ?? 0]] : []))
export const numbersOf = (drawn: Drawn): number[] => drawn.flat()

/** What is shown: all points, and 0 to 255 where there are none yet. */
export function boxOf(drawn: Drawn): Box {
  const into = drawn.map(([one]) => one)
  const out = drawn.map(([, one]) => one)
  if (drawn.length < 2) return { left: 0, right: 255, low: 0, high: 255 }
  const low = Math.min(0, ...out)
  return { left: Math.min(...into), right: Math.max(...into), low, high: Math.max(...out, low + 1) }
}

/** As many digits as a thousandth of the span has. */
export function rounded(value: number, span: number): number {
  const digits = Math.max(0, 3 - Math.ceil(Math.log10(Math.max(span, 1e-9))))
  return Number(value.toFixed(Math.min(9, digits)))
}

/** A point put where it was drawn; one that is there already moves up or down. */
export function put(drawn: Drawn, into: number, out: number): Drawn {
  return [...drawn.filter(([one]) => one !== into), [into, out] as [number, number]].sort((a, b) => a[0] - b[0])
}

/** A point moved: never past its neighbours, and the ends only up and down. */
export function moved(drawn: Drawn, at: number, into: number, out: number, box: Box): Drawn {
  const [before, here, after] = [drawn[at - 1], drawn[at], drawn[at + 1]]
  if (!here) return drawn
  const least = (box.right - box.left) / 1000
  const x = before && after ? Math.min(after[0] - least, Math.max(before[0] + least, into)) : here[0]
  const y = Math.min(box.high, Math.max(box.low, out))
  const point: [number, number] = [rounded(x, box.right - box.left), rounded(y, box.high - box.low)]
  return drawn.map((one, i) => (i === at ? point : one))
}

/** What was drawn free-hand replaces all that lies under it, with as few points as say the same within the tolerance. */
export function drawnOver(drawn: Drawn, stroke: Drawn, box: Box, tolerance = 0.015): Drawn {
  const line = [...stroke].sort((a, b) => a[0] - b[0])
  const [from, to] = [line[0]?.[0] ?? 0, line.at(-1)?.[0] ?? 0]
  const ends = [box.left, box.right]
  const kept = drawn.filter(([into]) => into < from || into > to || ends.includes(into))
  const [wide, tall] = [box.right - box.left, box.high - box.low]
  const fresh = simplified(line, tall * tolerance).map(([x, y]): [number, number] => [rounded(x, wide), rounded(y, tall)])
  return fresh.reduce((all, [x, y]) => put(all, x, y), kept)
}

/** Points that lie within the tolerance of a straight line between others are left out (Ramer, Douglas and Peucker; from memory). */
export function simplified(line: Drawn, tolerance: number): Drawn {
  const [first, last] = [line[0], line.at(-1)]
  if (line.length < 3 || !first || !last) return line
  const slope = (last[1] - first[1]) / Math.max(1e-9, last[0] - first[0])
  const off = line.map(([x, y]) => Math.abs(y - first[1] - slope * (x - first[0])))
  const farthest = off.indexOf(Math.max(...off))
  if ((off[farthest] ?? 0) <= tolerance) return [first, last]
  return [...simplified(line.slice(0, farthest + 1), tolerance).slice(0, -1), ...simplified(line.slice(farthest), tolerance)]
}
