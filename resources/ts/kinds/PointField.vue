<script setup lang="ts">
import { ref } from 'vue'
import { useEngine } from '@/live/engine'
import type { FoundPoint } from '@/live/types'
import LearnPanel from './LearnPanel.vue'
import PointPalette from './PointPalette.vue'

/** A point, by its reference: those are offered whose names hold the words that are typed, or that somebody touches. */
defineProps<{ label: string }>()
const point = defineModel<string>({ required: true })
const engine = useEngine()
const found = ref<FoundPoint[]>([])
const armed = ref(false)
const isOpen = ref(false)
function choose(chosen: string): void {
  point.value = chosen
  isOpen.value = false
}
const list = `points-${Math.random().toString(36).slice(2)}`
async function look(text: string): Promise<void> {
  point.value = text
  found.value = text.length > 1 ? (await engine.findPoints(text)).slice(0, 12) : []
}
</script>

<template>
  <div class="point-field" :class="{ armed }">
    <v-text-field :model-value="point" :label="label" placeholder="slot:palm-house/5" :list="list" @update:model-value="look" />
    <datalist :id="list">
      <option v-for="one in found" :key="one.point" :value="one.point">{{ one.name }}</option>
    </datalist>
    <button type="button" class="small-button" :aria-expanded="isOpen" @click="isOpen = !isOpen">Choose</button>
    <LearnPanel v-model:armed="armed" touch @learned="point = $event.address" />
    <PointPalette v-if="isOpen" @choose="choose" />
  </div>
</template>

<style scoped>
.point-field {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
}
.point-field:not(.armed) > .learn {
  grid-column: auto;
}
</style>
