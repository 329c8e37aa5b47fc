const MOST = 3
const wordsOf = (text: string) => text.toLowerCase().split(/[^a-z0-9]+/).filter(Boolean)

/** Those whose ids or names share most words with what was looked for, or the beginning of one. */
export function nearest<T extends { id: string; name: string }>(wanted: string, all: readonly T[]): T[] {
  const words = wordsOf(wanted)
  const alike = (one: T) => {
    const theirs = wordsOf(`${one.id} ${one.name}`)
    return words.filter((word) => theirs.some((their) => their === word || their.slice(0, 3) === word.slice(0, 3))).length
  }
  return all
    .map((one) => ({ one, score: alike(one) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST)
    .map(({ one }) => one)
}
