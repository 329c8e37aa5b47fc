/** The single keys of this application; none of them works while a person is writing. */
export const keyTable = [
  { key: 'G, then 1 … 9, 0', does: 'go to the pages of the rail, from the top' },
  { key: 'T', does: 'open or close the trace' },
  { key: '/ or Ctrl+K', does: 'find anything: a port, universe, slot, route, address, page or action' },
  { key: 'X', does: 'release what you hold by hand' },
  { key: 'Shift+X', does: 'release everything held by hand; asked first where others hold something' },
  { key: 'Shift+B', does: 'blackout: all light at 0; again, and it is there' },
  { key: 'Ctrl+Z', does: 'undo the last edit' },
  { key: 'Ctrl+Shift+Z or Ctrl+Y', does: 'do again what was undone' },
  { key: 'L', does: 'on the patch: light the chosen fixture, and let it go again' },
  { key: 'Arrows', does: 'on a universe: move from slot to slot' },
  { key: '0 … 9, Enter', does: 'on a slot: write a level and hold it' },
  { key: 'Delete', does: 'on a slot: release it' },
  { key: 'Escape', does: 'close what is open; a form that is half filled asks first' },
  { key: '?', does: 'this list' },
]

/** A key that only begins: a digit alone belongs to whatever is on the page. */
const LEADING = 'G'
/** So long after it a digit still follows: whoever touched it by mistake is not taken elsewhere later. */
const FOLLOWS_MILLIS = 2000

/** @param act told each key by its name, a digit that followed the leading key as "G 1"; whether it did something */
export function useKeys(act: (key: string) => boolean): { listen: () => void; stop: () => void } {
  let ledAt = -Infinity
  const pressed = (event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    const writing = target.closest('input, textarea, select, [contenteditable], [role="grid"], .v-overlay__content') !== null
    const command = event.ctrlKey || event.metaKey
    if (event.altKey || event.defaultPrevented || (writing && !(command && event.key.toLowerCase() === 'k'))) return
    const isLetter = /^[a-z]$/i.test(event.key)
    const key =
      (command ? 'Ctrl+' : '') + (isLetter && event.shiftKey ? 'Shift+' : '') + (isLetter ? event.key.toUpperCase() : event.key)
    if (event.key === 'Shift' || event.key === 'Control') return
    const follows = /^\d$/.test(key) && event.timeStamp - ledAt <= FOLLOWS_MILLIS
    ledAt = key === LEADING ? event.timeStamp : -Infinity
    if (key === LEADING || act(follows ? `${LEADING} ${key}` : key)) event.preventDefault()
  }
  return {
    listen: () => window.addEventListener('keydown', pressed),
    stop: () => window.removeEventListener('keydown', pressed),
  }
}
