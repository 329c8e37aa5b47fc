<script setup lang="ts">
import { type Shape, type Swap } from '@/api/show'

/** What happens to runs of slots on the way out, and which of them change places as they come in. */
const shapes = defineModel<Shape[]>('shapes', { required: true })
const swaps = defineModel<Swap[]>('swaps', { required: true })
const curves = [{ value: 'linear', title: 'straight' }, { value: 'square', title: 'square: fine below' }, { value: 'root', title: 'root: fine above' }, { value: 'smooth', title: 'smooth ends' }, { value: 'switched', title: 'switched at half' }]
const shape = (at: number, change: Partial<Shape>) => { shapes.value = shapes.value.map((one, i) => (i === at ? { ...one, ...change } : one)) }
const swap = (at: number, change: Partial<Swap>) => { swaps.value = swaps.value.map((one, i) => (i === at ? { ...one, ...change } : one)) }
</script>

<template>
  <div>
    <h3>Shapes of slots, on the way out</h3>
    <div v-for="(one, i) in shapes" :key="i" class="shape">
      <v-text-field :model-value="one.first" type="number" label="Slot" @update:model-value="shape(i, { first: Number($event) })" />
      <v-text-field :model-value="one.last ?? one.first" type="number" label="to slot" @update:model-value="shape(i, { last: Number($event) })" />
      <v-select :model-value="one.curve ?? 'linear'" :items="curves" label="Curve" class="two" @update:model-value="(curve: Shape['curve']) => shape(i, { curve })" />
      <v-text-field :model-value="one.low ?? 0" type="number" label="Not below" @update:model-value="shape(i, { low: Number($event) })" />
      <v-text-field :model-value="one.high ?? 255" type="number" label="Not above" @update:model-value="shape(i, { high: Number($event) })" />
      <v-switch :model-value="one.inverted ?? false" label="Inverted" @update:model-value="shape(i, { inverted: $event === true })" />
      <button type="button" class="small-button" :aria-label="`Take shape ${i + 1} out`" @click="shapes = shapes.filter((_, k) => k !== i)">Remove</button>
    </div>
    <button type="button" class="small-button" @click="shapes = [...shapes, { first: 1, last: 1, curve: 'linear', low: 0, high: 255 }]">Add a shape</button>
    <h3 class="second">Runs that change places as they come in</h3>
    <div v-for="(one, i) in swaps" :key="i" class="swap">
      <v-text-field :model-value="one.first" type="number" label="Slot" @update:model-value="swap(i, { first: Number($event) })" />
      <v-text-field :model-value="one.with" type="number" label="with slot" @update:model-value="swap(i, { with: Number($event) })" />
      <v-text-field :model-value="one.count ?? 1" type="number" label="so many" @update:model-value="swap(i, { count: Number($event) })" />
      <button type="button" class="small-button" :aria-label="`Take swap ${i + 1} out`" @click="swaps = swaps.filter((_, k) => k !== i)">Remove</button>
    </div>
    <button type="button" class="small-button" @click="swaps = [...swaps, { first: 1, with: 2, count: 1 }]">Add a swap</button>
  </div>
</template>

<style scoped>
.shape, .swap { display: grid; grid-template-columns: 1fr 1fr; gap: 6px; margin: 6px 0 10px; align-items: center; }
.swap { grid-template-columns: 1fr 1fr 1fr auto; }
.two { grid-column: 1 / -1; }
.second { margin-top: 12px; }
</style>
