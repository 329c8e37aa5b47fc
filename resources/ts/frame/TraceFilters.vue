<script setup lang="ts">
import type { Port, Route } from '@/api/show'
import { everything, type TraceFilter } from './trace'

/** What of the trace is shown. */
defineProps<{ ports: Port[]; routes: Route[]; kept: number }>()
const filter = defineModel<TraceFilter>({ required: true })
const kinds = ['message', 'feedback', 'source', 'refused', 'hold', 'port', 'show']
const set = (change: Partial<TraceFilter>) => {
  filter.value = { ...filter.value, ...change }
}
const valueOf = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <input
    type="search"
    class="search"
    placeholder="Search"
    aria-label="Search the trace: words, a time, bytes"
    :value="filter.text"
    @input="set({ text: valueOf($event) })"
    @keydown.esc="filter.text === '' || ($event.stopPropagation(), set({ text: '' }))"
  />
  <select aria-label="Kind" :value="filter.kind" @change="set({ kind: valueOf($event) })">
    <option value="">every kind</option>
    <option v-for="one in kinds" :key="one">{{ one }}</option>
  </select>
  <select aria-label="Port" :value="filter.port" @change="set({ port: valueOf($event) })">
    <option value="">every port</option>
    <option v-for="one in ports" :key="one.id" :value="one.id">{{ one.name }}</option>
  </select>
  <select aria-label="Route" :value="filter.route" @change="set({ route: valueOf($event) })">
    <option value="">every route</option>
    <option v-for="one in routes" :key="one.id" :value="one.id">{{ one.name }}</option>
  </select>
  <button
    type="button"
    class="small-button"
    :aria-pressed="filter.keptOnly"
    @click="set(filter.keptOnly ? { keptOnly: false } : { ...everything(), keptOnly: true })"
  >
    Kept <span class="figures">{{ kept }}</span>
  </button>
  <slot />
</template>

<style scoped>
.search,
select {
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  min-height: 28px;
  padding: 0 8px;
}
.search {
  flex: 0 1 200px;
  min-width: 110px;
}
select {
  max-width: 130px;
}
select option {
  background: rgb(var(--v-theme-surface));
}
</style>
