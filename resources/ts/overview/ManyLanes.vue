<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'
import { pathThrough, type Graph } from './graph'
import LaneList from './LaneList.vue'
import { useLines } from './lines'
import { laneItems, portRow, routeRow, universeRow } from './many'

/** A large show: one line each, wrong things on top; the path of one thing is looked at by itself, with its lines. */
const props = defineProps<{ graph: Graph }>()
const show = useShow()
const engine = useEngine()
const search = ref('')
const looked = ref<string | null>(null)
const pointed = ref<string | null>(null)
const path = computed(() => (looked.value === null ? null : pathThrough(props.graph.edges, looked.value)))
const lit = computed(() => (pointed.value === null ? null : pathThrough(props.graph.edges, pointed.value)))
const folded = ref(new Set<string>())
function fold(lane: string, heading: string): void {
  const key = `${lane} ${heading}`
  const after = new Set(folded.value)
  if (!after.delete(key)) after.add(key)
  folded.value = after
}
const foldedIn = (lane: string) =>
  new Set([...folded.value].filter((key) => key.startsWith(`${lane} `)).map((key) => key.slice(lane.length + 1)))
const routes = computed(() =>
  path.value === null ? [] : show.routes.filter((route) => path.value?.has(`route:${route.id}`)).map(routeRow),
)
const lanes = computed(() => [
  { name: 'Inputs', rows: props.graph.inputs.map((port) => portRow(port, 'in', engine.ports[port.id])) },
  {
    name: 'Universes',
    rows: [...props.graph.universes.map((one) => universeRow(one, engine.universes[one.id])), ...routes.value],
  },
  { name: 'Outputs', rows: props.graph.outputs.map((port) => portRow(port, 'out', engine.ports[port.id])) },
])
const items = computed(() => lanes.value.map((lane) => laneItems(lane.rows, search.value, path.value, foldedIn(lane.name))))
const nameOf = computed(() => lanes.value.flatMap((lane) => lane.rows).find((row) => row.node === looked.value)?.name)
const box = ref<HTMLElement | null>(null)
const { lines, size, draw } = useLines(box, () => (path.value === null ? [] : props.graph.edges.filter(isOnPath)), [items])
const isOnPath = (edge: { from: string; to: string }) => path.value?.has(edge.from) === true && path.value.has(edge.to)
watch(
  () => props.graph,
  () => {
    looked.value = null
  },
)
</script>

<template>
  <div class="many">
    <div class="tools">
      <v-text-field v-model="search" label="Search ports and universes" clearable @click:clear="search = ''" />
      <p v-if="looked !== null">
        The path of <b>{{ nameOf }}</b>. <v-btn size="small" @click="looked = null">Show all</v-btn>
      </p>
      <p v-else class="quiet">Press a line to see its path alone; its name opens its page.</p>
    </div>
    <div ref="box" class="lanes">
      <svg class="links" :width="size.width" :height="size.height" aria-hidden="true">
        <path v-for="line in lines" :key="line.key" :d="line.path" />
      </svg>
      <LaneList
        v-for="(lane, i) in lanes"
        :key="lane.name"
        :name="lane.name"
        :count="lane.rows.length"
        :items="items[i] ?? []"
        :lit="lit"
        :looked="looked"
        @look="looked = $event"
        @point="pointed = $event"
        @fold="fold(lane.name, $event)"
        @scroll="draw"
      />
    </div>
  </div>
</template>

<style scoped>
.many {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.tools {
  display: grid;
  grid-template-columns: minmax(200px, 360px) 1fr;
  gap: 16px;
  align-items: center;
}
.lanes {
  position: relative;
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1.2fr 1fr;
  grid-template-rows: minmax(0, 1fr);
  gap: 0 48px;
}
.links {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.links path {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 1.5;
}
@media (max-width: 900px) {
  .lanes {
    grid-template-columns: 1fr;
    grid-template-rows: repeat(3, minmax(220px, 1fr));
    gap: 16px;
  }
  .links {
    display: none;
  }
}
</style>
