import { nextTick, onMounted, onUnmounted, ref, watch, type Ref, type WatchSource } from 'vue'
import type { Edge } from './graph'

export interface Line extends Edge {
  key: string
  path: string
}

/** Draws links from the right edge of one node to the left edge of the next, as far as both are in sight. */
export function useLines(root: Ref<HTMLElement | null>, edges: () => Edge[], when: WatchSource<unknown>[]) {
  const lines = ref<Line[]>([])
  const size = ref({ width: 0, height: 0 })

  function draw(): void {
    const element = root.value
    if (!element) return
    const base = element.getBoundingClientRect()
    size.value = { width: element.scrollWidth, height: element.scrollHeight }
    const places = new Map<string, DOMRect>()
    element
      .querySelectorAll<HTMLElement>('[data-node]')
      .forEach((one) => places.set(one.dataset.node ?? '', one.getBoundingClientRect()))
    const isInSight = (place: DOMRect) => {
      const middle = place.top + place.height / 2 - base.top
      return middle >= 0 && middle <= element.scrollHeight
    }
    lines.value = edges().flatMap(({ from, to }) => {
      const a = places.get(from)
      const b = places.get(to)
      // A route stands inside its universe: no line is needed between the two.
      if (!a || !b || b.left < a.right || !isInSight(a) || !isInSight(b)) return []
      const [x1, y1, x2, y2] = [
        a.right - base.left,
        a.top + a.height / 2 - base.top,
        b.left - base.left,
        b.top + b.height / 2 - base.top,
      ]
      const middle = (x1 + x2) / 2
      return [{ key: `${from} ${to}`, from, to, path: `M${x1} ${y1}H${middle - 8}L${middle + 8} ${y2}H${x2}` }]
    })
  }
  let observer: ResizeObserver | null = null
  onMounted(() => {
    observer = new ResizeObserver(draw)
    if (root.value) observer.observe(root.value)
  })
  onUnmounted(() => observer?.disconnect())
  watch(when, () => nextTick(draw))
  return { lines, size, draw }
}
