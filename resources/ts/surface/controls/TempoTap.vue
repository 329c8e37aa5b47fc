<script setup lang="ts">
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { useSurface } from '../surface'
import { knock, wordsOn } from '../traits'

/** A tempo that is tapped: the tap counts as the finger comes down. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const surface = useSurface()
function tap(): void {
  if (props.locked) return
  knock()
  surface.press(props.control)
}
</script>

<template>
  <button
    type="button"
    class="control tempo mover"
    :class="control.size"
    :aria-disabled="locked"
    @pointerdown="tap"
    @keydown.enter.space.prevent="tap"
    @contextmenu.prevent
  >
    <span class="words">{{ wordsOn(control, life) }}</span>
    <span class="value figures">{{ life.text }}</span>
    <span class="tap">tap</span>
  </button>
</template>

<style scoped>
.tempo {
  flex-direction: column;
  justify-content: space-between;
}
.tempo:active {
  background: var(--fill);
}
.tap {
  position: absolute;
  right: 10px;
  bottom: 8px;
  font-size: 0.85em;
  color: var(--quiet);
}
</style>
