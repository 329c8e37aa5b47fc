<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/show'
import { spellMillis } from '@/components/words'
import { useEngine } from '@/live/engine'
import { csvOf, outageRows } from './outages'

/** When this port was without its senders this evening, also before a restart of the engine, by the clock, and what was done meanwhile. */
const props = defineProps<{ port: Port }>()
const engine = useEngine()
engine.follow(() => [`outages:${props.port.id}`])
const rows = computed(() => outageRows(engine.outages[props.port.id]))
const file = computed(() => `data:text/csv;charset=utf-8,${encodeURIComponent(csvOf(props.port.name, rows.value))}`)
</script>

<template>
  <section v-if="port.receive?.feeds" aria-label="Outages">
    <h3>
      Outages of the evening: <span class="figures">{{ rows.length }}</span><a
        v-if="rows.length"
        :href="file"
        :download="`outages-${port.id}.csv`"
        >Export</a
      >
    </h3>
    <ol v-if="rows.length">
      <li v-for="row in rows.slice(0, 12)" :key="row.from.getTime()">
        <span class="figures">{{ row.clock }}</span>
        <span
          ><b>{{ row.length === null ? 'still away' : spellMillis(row.length) }}</b
          >, {{ row.what }}<template v-if="row.meanwhile">. Meanwhile {{ row.meanwhile }}</template></span
        >
      </li>
    </ol>
    <p v-if="rows.length > 12" class="quiet">And {{ rows.length - 12 }} more: export them.</p>
  </section>
</template>

<style scoped>
h3 {
  margin-top: 10px;
  display: flex;
  gap: 8px;
}
h3 a {
  margin-left: auto;
  color: inherit;
}
ol {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
  font-size: 13px;
}
li {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  gap: 8px;
  padding: 2px 0;
}
</style>
