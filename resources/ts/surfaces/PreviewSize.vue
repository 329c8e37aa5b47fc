<script setup lang="ts">
import type { Preview } from './building'

/** How the page looks on a screen of another shape. */
const preview = defineModel<Preview>({ required: true })
const SCREENS = [
  { name: 'As built', width: 0, height: 0 },
  { name: 'Phone', width: 390, height: 844 },
  { name: 'Phone, lying', width: 844, height: 390 },
  { name: 'Tablet', width: 820, height: 1180 },
  { name: 'Tablet, lying', width: 1180, height: 820 },
  { name: '1280 × 800', width: 1280, height: 800 },
  { name: '800 × 1280', width: 800, height: 1280 },
]
function choose(name: string): void {
  const screen = SCREENS.find((one) => one.name === name)
  preview.value = screen && screen.width > 0 ? screen : null
}
</script>

<template>
  <label class="small"
    >Seen as
    <select
      class="inline-field"
      :value="preview?.name ?? 'As built'"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="one in SCREENS" :key="one.name" :value="one.name">{{ one.name }}</option>
    </select>
  </label>
</template>
