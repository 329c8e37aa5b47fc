/** A universe's number as people write it: 5, or Net:Sub-Net:Universe for Art-Net. What cannot be read stays as it is, for the server to name. */
export function readNumber(text: string | number): number | string {
  const written = String(text).trim()
  const parts = /^(\d{1,3}):(\d{1,2}):(\d{1,2})$/.exec(written)
  if (parts && Number(parts[1]) < 128 && Number(parts[2]) < 16 && Number(parts[3]) < 16)
    return (Number(parts[1]) << 8) | (Number(parts[2]) << 4) | Number(parts[3])
  return /^\d+$/.test(written) ? Number(written) : written
}

/** "1-8, 12" as single numbers; null when it cannot be read or is more than 512 of them. */
export function readRuns(text: string): number[] | null {
  const numbers: number[] = []
  for (const part of text.split(/[\s,;]+/).filter(Boolean)) {
    const [first, last] = part.split(/[-–]/).map(readNumber)
    const end = last ?? first
    if (typeof first !== 'number' || typeof end !== 'number' || end < first || numbers.length + end - first > 511) return null
    for (let number = first; number <= end; number++) numbers.push(number)
  }
  return numbers.length > 0 ? numbers : null
}
