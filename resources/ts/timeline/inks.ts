import type { Inks } from './picture'

/** The colours of the page, as a canvas takes them. */
export function inksOf(element: Element): Inks {
  const style = getComputedStyle(element)
  const own = (name: string) => style.getPropertyValue(name).trim()
  const theme = (name: string) => `rgb(${own(`--v-theme-${name}`)})`
  return {
    ground: theme('background'),
    plate: theme('surface'),
    ink: theme('on-background'),
    quiet: own('--quiet'),
    rule: own('--rule'),
    on: own('--alive'),
    held: own('--held'),
  }
}
