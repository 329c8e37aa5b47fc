/** The names of the columns of a table, whatever stands between them. */
export function headsOf(text: string): string[] {
  const line = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1)[0] ?? ''
  const count = (mark: string) => line.split(mark).length
  const mark = [',', ';', '\t'].reduce((best, one) => (count(one) > count(best) ? one : best))
  const heads: string[] = []
  let [head, isQuoted] = ['', false]
  for (const letter of line) {
    if (letter === '"') isQuoted = !isQuoted
    if (letter === mark && !isQuoted) {
      heads.push(head)
      head = ''
    } else head += letter
  }
  return [...heads, head].map((one) =>
    one
      .trim()
      .replace(/^"(.*)"$/, '$1')
      .replaceAll('""', '"'),
  )
}

/** A text as a field of a line of CSV (RFC 4180). */
export const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`
