<script setup lang="ts">
import { computed } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { useSurface } from '../surface'
import { knock } from '../traits'

/** One of several, side by side. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const surface = useSurface()
const options = computed(() => (props.life.text === '' ? [] : props.life.text.split('\n')))
const chosen = computed(() => props.life.at[0] ?? -1)

function choose(place: number): void {
  if (props.locked || place < 0 || place >= options.value.length) return
  knock()
  surface.set(props.control, place)
}
function key(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const to = Math.min(options.value.length - 1, Math.max(0, chosen.value + by))
  choose(to)
  ;((event.currentTarget as HTMLElement).querySelectorAll('button')[to] as HTMLElement | undefined)?.focus()
}
</script>

<template>
  <div class="control selector" :class="control.size">
    <span class="words">{{ control.text || control.name }}</span>
    <span class="options" role="radiogroup" :aria-label="control.name" @keydown="key">
      <button
        v-for="(name, i) in options"
        :key="name"
        type="button"
        role="radio"
        :aria-checked="i === chosen"
        :aria-disabled="locked"
        :tabindex="i === Math.max(0, chosen) ? 0 : -1"
        :class="{ on: i === chosen }"
        @click="choose(i)"
      >
        {{ name }}
      </button>
    </span>
  </div>
</template>

<style scoped>
.selector {
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 6px 8px;
}
.options {
  display: flex;
  flex: 1 1 60%;
  align-self: stretch;
  gap: 4px;
}
button {
  flex: 1 1 0;
  min-width: 44px;
  min-height: 44px;
  padding: 4px 8px;
  border: 1px solid var(--rule);
  background: none;
}
button.on {
  background: var(--on-control, var(--on));
  color: var(--on-control-ink, var(--on-ink));
}
</style>
