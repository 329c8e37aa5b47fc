import { onMounted, onUnmounted, ref, type Ref } from 'vue'
import { columnsFor } from './grid'

/** How many columns of slots fit into an element, as wide as it is now. */
export function useColumns(element: Ref<HTMLElement | null>): Ref<number> {
  const columns = ref(16)
  let observer: ResizeObserver | null = null
  const look = () => {
    const width = element.value?.clientWidth ?? 0
    if (width > 0) columns.value = columnsFor(width)
  }
  onMounted(() => {
    look()
    observer = new ResizeObserver(look)
    if (element.value) observer.observe(element.value)
  })
  onUnmounted(() => observer?.disconnect())
  return columns
}
