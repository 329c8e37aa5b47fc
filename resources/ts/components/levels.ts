import { ref } from 'vue'

export type LevelFormat = '0–255' | 'per cent' | 'hex'
export const levelFormats: LevelFormat[] = ['0–255', 'per cent', 'hex']

const stored = localStorage.getItem('levels') as LevelFormat | null
/** How levels are written, everywhere. */
export const levelFormat = ref<LevelFormat>(stored && levelFormats.includes(stored) ? stored : '0–255')

export function chooseLevelFormat(format: LevelFormat): void {
  levelFormat.value = format
  localStorage.setItem('levels', format)
}

/** A level as the person chose to read it. */
export function spellLevel(level: number, format: LevelFormat = levelFormat.value): string {
  if (format === 'hex') return level.toString(16).toUpperCase().padStart(2, '0')
  if (format === 'per cent') return String(Math.round(level / 2.55))
  return String(level)
}

/** What a person typed, as a level from 0 to 255, or null. */
export function readLevel(text: string, format: LevelFormat = levelFormat.value): number | null {
  const clean = text.trim()
  if (format === 'hex') return /^[0-9a-f]{1,2}$/i.test(clean) ? parseInt(clean, 16) : null
  if (!/^\d{1,3}$/.test(clean)) return null
  const number = Number(clean)
  if (format === 'per cent') return number <= 100 ? Math.round(number * 2.55) : null
  return number <= 255 ? number : null
}

const letters = 'ABCDEFGIJKLMNOPQRSTUVWXYZ'
/** A source's mark in the grid: a letter (H stands for held), and a number where the letters run out. */
export const placeMark = (place: number) => letters[place - 1] ?? String(place)
