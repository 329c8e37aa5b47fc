<script setup lang="ts">
import { computed, onMounted, onUnmounted, watch } from 'vue'
import { useAttempt } from '@/components/attempt'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'

/** Walking the rig: one fixture after the other is lit, by the arrow keys or by a thumb; the one before is let go. */
const props = defineProps<{ fixtures: Row[]; chosen?: string }>()
const emit = defineEmits<{ choose: [id: string]; close: [] }>()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const place = computed(() => props.fixtures.findIndex((one) => one.id === props.chosen))
let lit = ''
async function light(id: string): Promise<void> {
  const before = lit
  lit = id
  await attempt(async () => {
    if (before && before !== id) await engine.setPoint(`light:${before}`, 0)
    if (id && lit === id) await engine.setPoint(`light:${id}`, 1)
  })
}
function step(by: number): void {
  const next = props.fixtures[(place.value + by + props.fixtures.length) % props.fixtures.length]
  if (next) emit('choose', next.id)
}
function pressed(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).closest('input, textarea, select, [role="slider"]')) return
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (event.key === 'Escape') emit('close')
  else if (by) step(by)
  else return
  event.preventDefault()
  event.stopPropagation()
}
watch(
  () => props.chosen,
  (id) => void light(id ?? ''),
  { immediate: true },
)
onMounted(() => document.addEventListener('keydown', pressed, true))
onUnmounted(() => {
  document.removeEventListener('keydown', pressed, true)
  void light('')
})
</script>

<template>
  <div class="stepping" role="group" aria-label="Step through">
    <v-btn size="large" @click="step(-1)">Previous</v-btn>
    <p>
      <strong>{{ fixtures[place]?.name ?? '' }}</strong> is lit, {{ place + 1 }} of {{ fixtures.length }}.
      <span class="quiet small">Arrow keys go on; Escape ends it and lets go.</span>
      <span v-if="failed" class="wrong small" role="alert">{{ failed }}</span>
    </p>
    <v-btn size="large" @click="step(1)">Next</v-btn>
    <v-btn @click="emit('close')">End</v-btn>
  </div>
</template>

<style scoped>
.stepping {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 10px 12px;
  margin-bottom: 10px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--rule);
}
.stepping p {
  flex: 1;
  min-width: 180px;
}
</style>
