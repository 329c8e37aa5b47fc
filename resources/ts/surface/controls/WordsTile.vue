<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { traits, wordsOn, writesValue } from '../traits'

/** What only says something: a label, the time of day, notes. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife }>()
const now = ref(new Date())
const timer = props.control.kind === 'clock' ? window.setInterval(() => (now.value = new Date()), 250) : 0
onScopeDispose(() => clearInterval(timer))
const two = (value: number) => String(value).padStart(2, '0')
const time = computed(() => {
  const seconds = traits.flag(props.control, 'withSeconds') ? `:${two(now.value.getSeconds())}` : ''
  return `${two(now.value.getHours())}:${two(now.value.getMinutes())}${seconds}`
})
</script>

<template>
  <div class="control tile" :class="control.size">
    <template v-if="control.kind === 'clock'">
      <span class="unseen">{{ control.name }}</span>
      <span class="figures">{{ time }}</span>
    </template>
    <p v-else-if="control.kind === 'notes'" class="notes">{{ life.text }}</p>
    <template v-else>
      <span class="words">{{ wordsOn(control, life) }}</span>
      <span v-if="writesValue(control) && life.text" class="value figures">{{ life.text }}</span>
    </template>
  </div>
</template>

<style scoped>
.tile {
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  border-color: transparent;
  border-bottom-color: var(--rule);
  background: var(--ground, transparent);
  user-select: text;
}
.notes {
  margin: 0;
  max-height: 100%;
  overflow: auto;
  white-space: pre-wrap;
}
</style>
