import { computed, ref } from 'vue'
import { rowAt, valueOf } from './draw'
import type { Picture } from './picture'
import { ROW, RULER } from './row'
import { knotsOf } from './edit'
import { useEditing } from './editing'
import { rangeOf } from './line'
import { atOf } from './view'

/** Off by at most so much of its range, in percent: about what a hand can draw. */
const TOLERANCE = 1

/** A level is drawn as a hand draws it: what is drawn is seen at once, and told by few points when it is let go. */
export function useFreehand(picture: () => Picture | null) {
  const editing = useEditing()
  const line = ref<{ track: string; range: [number, number]; top: number; samples: [number, number][] } | null>(null)
  const drawn = computed(() => line.value)

  /** @return whether it is drawn from here */
  function begin(x: number, y: number): boolean {
    const now = picture()
    if (!now || !editing.drawsByHand.value) return false
    const row = rowAt(now, y)
    const track = (editing.timeline.value?.tracks ?? [])[row]
    if (!track || track.does.kind !== 'levels' || track.locked) return false
    const range = rangeOf(knotsOf(track), editing.usual(track))
    line.value = { track: track.id, range, top: RULER + row * ROW - editing.top.value, samples: [] }
    add(x, y)
    return true
  }
  function add(x: number, y: number): void {
    if (!line.value) return
    const { range, top } = line.value
    const value = Math.min(range[1], Math.max(range[0], valueOf(range, y, top)))
    const at = Math.max(0, atOf(editing.view.value, x))
    line.value = { ...line.value, samples: [...line.value.samples, [at, value]] }
  }
  async function end(): Promise<void> {
    const done = line.value
    if (done && done.samples.length > 1) {
      const tolerance = ((done.range[1] - done.range[0]) * TOLERANCE) / 100
      await editing.ask('drawn', { track: done.track, samples: done.samples, tolerance })
      editing.track.value = done.track
    }
    if (line.value === done) line.value = null
  }
  return { drawn, begin, add, end }
}
