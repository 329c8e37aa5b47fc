<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { offerOf, placeOfRoute } from '@/components/routePlace'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { UnansweredLine } from '@/live/messages'
import RelaxButton from '@/kinds/RelaxButton.vue'

/** Why did nothing happen? The last minute: what came and did nothing, and what routes nearly took. */
const show = useShow()
const session = useSession()
const engine = useEngine()
const router = useRouter()
engine.follow(() => ['misses'])
const near = computed(() => engine.misses?.near ?? [])
const groups = computed(() => {
  const byPort = new Map<string, UnansweredLine[]>()
  for (const line of engine.misses?.came ?? []) byPort.set(line.port, [...(byPort.get(line.port) ?? []), line])
  return [...byPort]
})
const often = (one: { count: number; cameAt: number }) =>
  `${one.count > 1 ? `×${one.count}, ` : ''}${spellAgo(engine.since(one.cameAt))}`
const nameOf = (id: string) => [...show.routes, ...show.offers].find((one) => one.id === (offerOf(id) ?? id))?.name ?? id
const make = (line: UnansweredLine) =>
  router.push({ path: '/routes', query: { add: '1', when: JSON.stringify(line.ways[0]?.part ?? {}) } })
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>What did nothing</h1>
      <span class="quiet">within the last minute</span>
      <span class="spring" />
      <v-btn to="/routes" variant="text">All routes</v-btn>
    </div>
    <section aria-label="Nearly taken">
      <h2>
        Nearly taken <span class="figures quiet">{{ near.length }}</span>
      </h2>
      <p v-if="near.length === 0" class="quiet">No route has nearly taken anything.</p>
      <article v-for="one in near" :key="one.route" class="line">
        <div>
          <router-link :to="placeOfRoute(one.route)"
            ><strong>{{ nameOf(one.route) }}</strong></router-link
          >
          {{ one.reason }}
          <p class="quiet small">
            {{ one.what }}, <span class="figures">{{ often(one) }}</span>
          </p>
        </div>
        <RelaxButton v-if="one.relax" :route="one.route" :relax="one.relax" />
      </article>
    </section>
    <section aria-label="Came and did nothing">
      <h2>Came, and did nothing</h2>
      <p v-if="groups.length === 0" class="quiet">Everything that came within the last minute was taken by a route.</p>
      <template v-for="[port, lines] in groups" :key="port">
        <h3>
          {{ show.portName(port) }} <span class="figures quiet">{{ lines.length }}</span>
        </h3>
        <article v-for="line in lines" :key="line.address" class="line">
          <div>
            <span class="figures">{{ line.words }}</span>
            <p class="quiet small">
              {{ line.why }}. From {{ line.from }}<span class="figures">, {{ often(line) }}</span>
              <template v-if="line.route">. <router-link :to="placeOfRoute(line.route)">Open the route</router-link></template>
            </p>
          </div>
          <button v-if="session.mayBuild" type="button" class="small-button" @click="make(line)">Make a route</button>
        </article>
      </template>
    </section>
  </div>
</template>

<style scoped>
section {
  margin-bottom: 20px;
  max-width: 900px;
}
h3 {
  margin-top: 12px;
}
.line {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.line > :last-child:not(:first-child) {
  flex-shrink: 0;
}
p {
  margin: 2px 0;
}
</style>
