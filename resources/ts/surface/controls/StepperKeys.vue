<script setup lang="ts">
import { onScopeDispose } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { useSurface } from '../surface'
import { knock, wordsOn, writesValue } from '../traits'

/** A value between less and more; held, it goes on. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const FIRST = 450
const EVERY = 120
const surface = useSurface()
let timer = 0

function step(part: 'up' | 'down'): void {
  if (props.locked) return
  knock()
  surface.press(props.control, part)
}
function down(event: PointerEvent, part: 'up' | 'down'): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  step(part)
  const again = () => {
    step(part)
    timer = window.setTimeout(again, EVERY)
  }
  timer = window.setTimeout(again, FIRST)
}
const up = () => clearTimeout(timer)
onScopeDispose(up)
</script>

<template>
  <div class="control stepper" :class="control.size" role="group" :aria-label="control.name">
    <span class="words">{{ wordsOn(control, life) }}</span>
    <span class="line">
      <button
        type="button"
        class="mover"
        :aria-label="`${control.name}: less`"
        :aria-disabled="locked"
        @pointerdown="down($event, 'down')"
        @pointerup="up"
        @pointercancel="up"
        @keydown.enter.space.prevent="step('down')"
        @contextmenu.prevent
      >
        −
      </button>
      <output v-if="writesValue(control)" class="value figures">{{ life.text }}</output>
      <button
        type="button"
        class="mover"
        :aria-label="`${control.name}: more`"
        :aria-disabled="locked"
        @pointerdown="down($event, 'up')"
        @pointerup="up"
        @pointercancel="up"
        @keydown.enter.space.prevent="step('up')"
        @contextmenu.prevent
      >
        +
      </button>
    </span>
  </div>
</template>

<style scoped>
.stepper {
  flex-direction: column;
  justify-content: space-between;
  gap: 4px;
  padding: 8px;
}
.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 4px;
}
button {
  min-width: 44px;
  min-height: 44px;
  border: 1px solid var(--rule);
  background: none;
  font-size: 22px;
}
button:active {
  background: var(--fill);
}
output {
  text-align: center;
}
</style>
