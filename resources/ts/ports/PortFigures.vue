<script setup lang="ts">
import { computed } from 'vue'
import { useShow, type Port } from '@/api/show'
import { saveFile } from '@/components/handOver'
import { spellMillis } from '@/components/words'
import { useEngine } from '@/live/engine'
import { figureRows, figuresCsv } from './figures'

/** Loss, gaps and jitter of a port, each over ten seconds, a minute and the evening. */
const props = defineProps<{ port: Port }>()
const engine = useEngine()
const show = useShow()
const life = computed(() => engine.ports[props.port.id])
const rows = computed(() => (life.value ? figureRows(props.port, life.value, spellMillis) : []))
function save(): void {
  const text = figuresCsv(show.ports, (id) => engine.ports[id])
  saveFile('port-figures.csv', new Blob([text], { type: 'text/csv' }))
}
</script>

<template>
  <table v-if="rows.length" class="plain figures-table">
    <thead>
      <tr>
        <th scope="col">Over the last</th>
        <th scope="col">10 s</th>
        <th scope="col">minute</th>
        <th scope="col">evening</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.label">
        <th scope="row">{{ row.label }}</th>
        <td v-for="(cell, i) in row.cells" :key="i" class="figures" :class="{ wrong: row.bad[i] }">{{ cell }}</td>
      </tr>
    </tbody>
  </table>
  <button v-if="rows.length" type="button" class="small-button" title="Of all ports" @click="save">Save the figures (CSV)</button>
</template>

<style scoped>
.figures-table {
  font-size: 13px;
  margin: 6px 0;
}
.figures-table :is(td, th) {
  padding: 2px 8px 2px 0;
}
</style>
