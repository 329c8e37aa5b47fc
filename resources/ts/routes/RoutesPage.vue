<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Route } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import StateMark from '@/components/StateMark.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'
import { groupings, groupOf, type Grouping } from './grouping'
import LearnMany from './LearnMany.vue'
import RouteDeeds from './RouteDeeds.vue'
import RouteForm from './RouteForm.vue'
import RouteLife from './RouteLife.vue'
import StartFrom from './StartFrom.vue'
import TryRoute from './TryRoute.vue'

const show = useShow()
const session = useSession()
const engine = useEngine()
const here = useRoute()
const router = useRouter()
const form = ref<'none' | 'add' | 'edit' | 'many' | 'start'>(here.query.add ? 'add' : 'none')
watch(
  () => [here.params.id, here.query.add],
  () => {
    form.value = here.query.add ? 'add' : 'none'
  },
)
const chosen = computed<Route | null>(() => show.routes.find((route) => route.id === here.params.id) ?? show.routes[0] ?? null)
const { failed, attempt } = useAttempt()

const by = ref<Grouping>('folder')
const names = computed(() => new Map([...show.fixtures, ...show.universes, ...show.ports].map((one) => [one.id, one.name])))
const groupName = (route: Route) => {
  const id = groupOf(route, by.value)
  return by.value === 'folder' ? id : (names.value.get(id) ?? id)
}
/** Armed, only those are shown that something has reached since: what is pressed now finds its routes. */
const touchedSince = ref<number | null>(null)
const touched = computed(() => {
  const since = touchedSince.value
  if (since === null) return null
  return new Set(engine.events.filter((one) => one.at > since).flatMap((one) => one.hops.flatMap((hop) => hop.route ?? [])))
})
const rows = computed<Row[]>(() =>
  show.routes
    .filter((route) => touched.value?.has(route.id) ?? true)
    .map((route) => ({
      id: route.id,
      name: route.name,
      text: `${route.id} ${show.data?.sentences[route.id] ?? ''}`,
      state: route.enabled === false ? 'off' : 'on',
      group: groupName(route),
    })),
)
/** The newest trace event in which each route took part. */
const latest = computed(() => {
  const found = new Map<string, { words: string; at: number }>()
  for (const event of engine.events) {
    for (const hop of event.hops) {
      if (hop.route && !found.has(hop.route))
        found.set(hop.route, {
          words: event.hops
            .filter((one) => one.route === hop.route)
            .map((one) => one.words)
            .join('; '),
          at: event.at,
        })
    }
  }
  return found
})
/** When it was last used, as far as the trace goes back. */
const ago = (id: string) => {
  const found = latest.value.get(id)
  return found ? spellAgo(engine.since(found.at)) : ''
}
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
  <div class="page sized">
    <div class="page-head">
      <h1>Routes</h1>
      <span class="spring" />
      <select v-model="by" class="inline-field" aria-label="Grouped">
        <option v-for="one in groupings" :key="one.value" :value="one.value">{{ one.title }}</option>
      </select>
      <v-btn
        variant="text"
        :aria-pressed="touchedSince !== null"
        @click="touchedSince = touchedSince === null ? Date.now() : null"
      >
        {{ touchedSince === null ? 'Find by touching' : 'Show all again' }}
      </v-btn>
      <v-btn to="/routes-sheet" variant="text">Trigger sheet</v-btn>
      <v-btn to="/routes-offers" variant="text">Offers</v-btn>
      <v-btn to="/routes-unanswered" variant="text">What did nothing</v-btn>
      <v-btn
        v-if="session.mayBuild"
        @click="
          onceLeft(() => {
            form = 'many'
          })
        "
        >Learn several</v-btn
      >
      <v-btn
        v-if="session.mayBuild"
        @click="
          onceLeft(() => {
            form = 'start'
          })
        "
        >Begin from…</v-btn
      >
      <v-btn
        v-if="session.mayBuild"
        variant="flat"
        color="primary"
        @click="
          onceLeft(() => {
            form = 'add'
          })
        "
        >Add a route</v-btn
      >
    </div>
    <GoneNote :id="here.params.id" what="route" :all="show.routes" path="/routes" :loaded="show.document !== undefined" />
    <div class="split">
      <div class="list">
        <p v-if="show.document && show.routes.length === 0" class="empty">
          No routes yet. A route says: when this arrives, send that. Add an OSC, MIDI or controller port first, then a route from
          it.
        </p>
        <PartList v-else list="routes" what="routes" :rows="rows" :chosen="chosen?.id" @choose="router.push(`/routes/${$event}`)">
          <template #row="{ row }">
            <StateMark v-if="row.state === 'off'" state="off" words class="small" />
            <strong>{{ row.name }}</strong>
            <span class="quiet small sentence">{{ show.data?.sentences[row.id] }}</span>
            <span v-if="latest.has(row.id)" class="figures small ago" :title="latest.get(row.id)?.words">{{ ago(row.id) }}</span>
          </template>
          <template #deeds="{ ids, clear }"><RouteDeeds :ids="ids" @done="clear" /></template>
        </PartList>
      </div>
      <SideSheet :open="form !== 'none' || Boolean(here.params.id)" :closes="form === 'none'" @close="router.push('/routes')">
        <RouteForm v-if="form === 'add'" :route="null" @done="done" @cancel="cancel" />
        <RouteForm v-else-if="form === 'edit' && chosen" :key="chosen.id" :route="chosen" @done="done" @cancel="cancel" />
        <StartFrom v-else-if="form === 'start'" @done="done($event[0] ?? '')" @cancel="form = 'none'" />
        <LearnMany v-else-if="form === 'many'" @done="done($event[0] ?? '')" @cancel="form = 'none'" />
        <aside v-else-if="chosen" class="panel" aria-label="Route">
          <h2>{{ chosen.name }}</h2>
          <p class="sentence">{{ show.data?.sentences[chosen.id] }}</p>
          <p v-if="chosen.note">{{ chosen.note }}</p>
          <RouteLife :key="chosen.id" :route="chosen.id" :latest="latest.get(chosen.id)?.words" />
          <div v-if="session.mayBuild" class="actions">
            <v-btn @click="form = 'edit'">Change</v-btn>
            <v-btn @click="turn(chosen)">{{ chosen.enabled === false ? 'Switch on' : 'Switch off' }}</v-btn>
            <v-btn color="error" @click="attempt(() => show.remove('routes', chosen?.id ?? ''))">Delete</v-btn>
          </div>
          <TryRoute v-if="chosen.when || chosen.from?.kind === 'message'" :key="chosen.id" :route="chosen.id" />
          <p class="quiet hint">Ctrl+Z undoes an edit.</p>
          <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
        </aside>
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
}
.split > * {
  max-height: calc(100cqh - 52px);
  overflow: auto;
}
.list {
  display: flex;
  min-width: 0;
}
.list > * {
  flex: 1;
}
.panel .sentence {
  margin: 4px 0;
}
.line .sentence,
.list .sentence {
  overflow: hidden;
  text-overflow: ellipsis;
}
.ago {
  margin-left: auto;
  color: var(--alive);
}
.hint {
  font-size: 13px;
  margin-top: 12px;
}
@media (max-width: 900px) {
  .split > * {
    max-height: none;
  }
}
</style>
