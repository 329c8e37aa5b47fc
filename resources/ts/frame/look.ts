import { useTheme } from 'vuetify'
import { computed } from 'vue'
import { chooseLevelFormat, levelFormat, levelFormats } from '@/components/levels'

/** How pages look on this machine: dark or light, and how levels are written. */
export function useLook() {
  const theme = useTheme()
  const isDark = computed(() => theme.global.name.value === 'night')
  function changeTheme(): void {
    const name = isDark.value ? 'day' : 'night'
    theme.change(name)
    localStorage.setItem('theme', name)
  }
  function nextFormat(): void {
    const at = levelFormats.indexOf(levelFormat.value)
    chooseLevelFormat(levelFormats[(at + 1) % levelFormats.length] ?? '0–255')
  }
  return { isDark, changeTheme, levelFormat, nextFormat }
}
