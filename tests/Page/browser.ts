/** What a browser has and Node has not, as far as the page's computing asks for it. */
const kept = new Map<string, string>()
globalThis.localStorage = {
  getItem: (name: string) => kept.get(name) ?? null,
  setItem: (name: string, value: string) => void kept.set(name, value),
  removeItem: (name: string) => void kept.delete(name),
  clear: () => kept.clear(),
  key: () => null,
  length: 0,
}
