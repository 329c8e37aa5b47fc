<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Route } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import StateMark from '@/components/StateMark.vue'
import { useEngine } from '@/live/engine'
import RouteForm from './RouteForm.vue'

const show = useShow()
const session = useSession()
const engine = useEngine()
const here = useRoute()
const router = useRouter()
const form = ref<'none' | 'add' | 'edit'>(here.query.add ? 'add' : 'none')
watch(() => [here.params.id, here.query.add], () => { form.value = here.query.add ? 'add' : 'none' })
const chosen = computed<Route | null>(() => show.routes.find((route) => route.id === here.params.id) ?? show.routes[0] ?? null)
const { failed, attempt } = useAttempt()

/** The newest trace event in which each route took part. */
const latest = computed(() => {
  const found = new Map<string, { words: string, at: number }>()
  for (const event of engine.events) {
    for (const hop of event.hops) {
      if (hop.route && !found.has(hop.route)) found.set(hop.route, { words: event.hops.filter((one) => one.route === hop.route).map((one) => one.words).join('; '), at: event.at })
    }
  }
  return found
})
function turn(route: Route): void {
  const { id, ...part } = route
  void attempt(() => show.replace('routes', id, { ...part, enabled: part.enabled === false }))
}
function done(id: string): void {
  form.value = 'none'
  void router.push(`/routes/${id}`)
}
function cancel(): void {
  form.value = 'none'
  if (here.query.add) void router.replace('/routes')
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Routes</h1><span class="spring" />
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" @click="form = 'add'">Add a route</v-btn>
    </div>
    <div class="split">
      <div>
        <p v-if="show.document && show.routes.length === 0" class="empty">No routes yet. A route says: when this arrives, send that. Add an OSC, MIDI or controller port first, then a route from it.</p>
        <button v-for="route in show.routes" :key="route.id" type="button" class="row-button" :aria-current="chosen?.id === route.id" @click="router.push(`/routes/${route.id}`)">
          <span class="row"><strong>{{ route.name }}</strong><StateMark v-if="route.enabled === false" state="off" words /></span>
          <span class="sentence">{{ show.data?.sentences[route.id] }}</span>
          <span class="quiet last">{{ latest.get(route.id) ? `Last: ${latest.get(route.id)?.words}` : 'Not used since the engine started.' }}</span>
        </button>
      </div>
      <RouteForm v-if="form === 'add'" :route="null" @done="done" @cancel="cancel" />
      <RouteForm v-else-if="form === 'edit' && chosen" :key="chosen.id" :route="chosen" @done="done" @cancel="cancel" />
      <aside v-else-if="chosen" class="panel" aria-label="Route">
        <h2>{{ chosen.name }}</h2>
        <p class="sentence">{{ show.data?.sentences[chosen.id] }}</p>
        <p class="quiet">{{ latest.get(chosen.id)?.words ?? 'Not used since the engine started.' }}</p>
        <div v-if="session.mayBuild" class="actions">
          <v-btn @click="form = 'edit'">Change</v-btn>
          <v-btn @click="turn(chosen)">{{ chosen.enabled === false ? 'Switch on' : 'Switch off' }}</v-btn>
          <v-btn color="error" @click="attempt(() => show.remove('routes', chosen?.id ?? ''))">Delete</v-btn>
        </div>
        <p class="quiet hint">Ctrl+Z takes an edit back.</p>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.row { display: flex; gap: 12px; }
.sentence { display: block; margin: 4px 0; max-width: 70ch; }
.last { display: block; font-size: 13px; }
.hint { font-size: 13px; margin-top: 12px; }
</style>
