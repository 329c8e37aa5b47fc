<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'
import { makeGraph, pathThrough } from './graph'
import { useLines } from './lines'
import { MANY } from './many'
import PortLane from './PortLane.vue'
import UniverseLane from './UniverseLane.vue'

/** Only a large show needs it. */
const ManyLanes = defineAsyncComponent(() => import('./ManyLanes.vue'))
const show = useShow()
const engine = useEngine()
const graph = computed(() => makeGraph(show.ports, show.universes, show.routes, show.data?.routeEnds ?? {}))
const pointed = ref<string | null>(null)
const lit = computed(() => (pointed.value === null ? null : pathThrough(graph.value.edges, pointed.value)))
const dim = (node: string) => lit.value !== null && !lit.value.has(node)

const lanes = ref<HTMLElement | null>(null)
const isMany = computed(() => graph.value.inputs.length + graph.value.outputs.length + graph.value.universes.length > MANY)
engine.follow(() => (isMany.value ? [] : ['minutes']))
const { lines, size } = useLines(lanes, () => (isMany.value ? [] : graph.value.edges), [graph, () => engine.unclaimed.length])
const empty = computed(() => show.document !== undefined && show.ports.length === 0)
</script>

<template>
  <div class="page" :class="{ whole: isMany }">
    <div class="page-head">
      <h1>{{ show.document?.name }}</h1>
    </div>
    <p v-for="one in engine.unclaimed" :key="one.name + one.from" class="stray">
      <strong>{{ one.name }}</strong> arrives from {{ one.from }}, and no port listens to it.
      <router-link v-if="one.ports[0]" :to="`/ports/${one.ports[0]}`">Open the port</router-link>
    </p>
    <div v-if="empty" class="empty">
      <p>This show has no ports yet. A port is one end of a link: a desk that sends to us, or dimmers that hear us.</p>
      <div class="actions"><v-btn to="/ports?add=1">Add the first port</v-btn><v-btn to="/show">Import a show</v-btn></div>
    </div>
    <ManyLanes v-else-if="isMany" :graph="graph" />
    <div v-else ref="lanes" class="lanes">
      <svg class="links" :width="size.width" :height="size.height" aria-hidden="true">
        <path
          v-for="line in lines"
          :key="line.key"
          :d="line.path"
          :class="{ dim: dim(line.from) || dim(line.to), lit: lit && !dim(line.from) && !dim(line.to) }"
        />
      </svg>
      <section aria-label="Ports that receive">
        <h2>Inputs</h2>
        <PortLane
          v-for="port in graph.inputs"
          :key="port.id"
          :port="port"
          side="in"
          :data-node="`in:${port.id}`"
          :class="{ dim: dim(`in:${port.id}`) }"
          @mouseenter="pointed = `in:${port.id}`"
          @mouseleave="pointed = null"
          @focus="pointed = `in:${port.id}`"
          @blur="pointed = null"
        />
      </section>
      <section aria-label="Universes">
        <h2>Universes</h2>
        <UniverseLane
          v-for="universe in graph.universes"
          :key="universe.id"
          :universe="universe"
          :in-routes="graph.inRoutes.get(universe.id) ?? []"
          :out-routes="graph.outRoutes.get(universe.id) ?? []"
          :data-node="`universe:${universe.id}`"
          :class="{ dim: dim(`universe:${universe.id}`) }"
          @mouseenter="pointed = `universe:${universe.id}`"
          @mouseleave="pointed = null"
          @point="pointed = $event"
        />
      </section>
      <section aria-label="Ports that send">
        <h2>Outputs</h2>
        <PortLane
          v-for="port in graph.outputs"
          :key="port.id"
          :port="port"
          side="out"
          :data-node="`out:${port.id}`"
          :class="{ dim: dim(`out:${port.id}`) }"
          @mouseenter="pointed = `out:${port.id}`"
          @mouseleave="pointed = null"
          @focus="pointed = `out:${port.id}`"
          @blur="pointed = null"
        />
      </section>
    </div>
  </div>
</template>

<style scoped>
.lanes {
  position: relative;
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(260px, 1.2fr) minmax(220px, 1fr);
  gap: 0 64px;
  align-items: start;
}
section {
  display: grid;
  gap: 14px;
  position: relative;
}
h2 {
  color: var(--quiet);
}
.links {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.links path {
  fill: none;
  stroke: var(--rule);
  stroke-width: 2;
}
.links .lit {
  stroke: rgb(var(--v-theme-on-background));
}
.links .dim {
  opacity: 0.35;
}
section > .dim {
  opacity: 0.4;
}
.whole {
  display: flex;
  flex-direction: column;
}
.stray {
  border-left: 3px solid var(--held);
  padding: 4px 12px;
  margin-bottom: 12px;
}
@media (max-width: 900px) {
  .lanes {
    grid-template-columns: minmax(0, 1fr);
    gap: 24px;
  }
  section {
    gap: 6px;
  }
  .links {
    display: none;
  }
}
</style>
