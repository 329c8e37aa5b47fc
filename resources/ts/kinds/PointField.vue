<script setup lang="ts">
import { ref } from 'vue'
import { useEngine } from '@/live/engine'
import type { FoundPoint } from '@/live/types'

/** A point, by its reference; while it is typed, those are offered whose names hold these words. */
defineProps<{ label: string }>()
const point = defineModel<string>({ required: true })
const engine = useEngine()
const found = ref<FoundPoint[]>([])
const list = `points-${Math.random().toString(36).slice(2)}`
async function look(text: string): Promise<void> {
  point.value = text
  found.value = text.length > 1 ? (await engine.findPoints(text)).slice(0, 12) : []
}
</script>

<template>
  <div>
    <v-text-field :model-value="point" :label="label" placeholder="slot:palm-house/5" :list="list" @update:model-value="look" />
    <datalist :id="list">
      <option v-for="one in found" :key="one.point" :value="one.point">{{ one.name }}</option>
    </datalist>
  </div>
</template>
