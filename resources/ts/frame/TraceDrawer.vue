<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useShow } from '@/api/show'
import { saveFile } from '@/components/handOver'
import { useEngine } from '@/live/engine'
import type { TraceEvent } from '@/live/types'
import { atMoment, everything, fits, momentOf, useKept } from './trace'
import TraceEntry from './TraceEntry.vue'
import TraceFilters from './TraceFilters.vue'

const open = defineModel<boolean>({ required: true })
const engine = useEngine()
const show = useShow()
const here = useRoute()
engine.follow(() => ['trace'])

const SHOWN = 120
const filter = ref(everything())
const more = ref(SHOWN)
const still = shallowRef<TraceEvent[] | null>(null)
const unfolded = ref(new Set<string>())
const said = ref('')
const list = ref<HTMLElement | null>(null)
const { kept, full, isKept, turn, MOST } = useKept()
const run = computed(() => engine.engine?.startedAt ?? 0)
const keyOf = (event: TraceEvent & { run?: number }) => momentOf(event.run ?? run.value, event.serial)

const all = computed<(TraceEvent & { run?: number })[]>(() =>
  filter.value.keptOnly ? kept.value : (still.value ?? engine.events),
)
const found = computed(() => all.value.filter((event) => fits(event, filter.value)))
const events = computed(() => found.value.slice(0, more.value))
const newest = computed(() => engine.events[0]?.title ?? 'Nothing has happened yet.')
watch(filter, () => {
  more.value = SHOWN
})
function pause(): void {
  still.value = still.value ? null : engine.events
}
function toggle(key: string): void {
  const next = new Set(unfolded.value)
  if (!next.delete(key)) next.add(key)
  unfolded.value = next
}
watch(full, (now) => {
  if (now) said.value = `${MOST} events are kept on this machine, which is all that there is room for: let go of some first.`
})
async function write(format: 'json lines' | 'pcapng'): Promise<void> {
  const serials = found.value.filter((event) => (event.run ?? run.value) === run.value).map((event) => event.serial)
  const others = found.value.length - serials.length
  const file = serials.length > 0 ? await engine.writeTrace(format, serials) : null
  if (file?.content === undefined) {
    said.value = file?.error ?? 'None of these events is in the trace any longer.'
    return
  }
  const bytes = Uint8Array.from(atob(file.content), (letter) => letter.charCodeAt(0))
  saveFile(file.name ?? 'trace', new Blob([bytes]))
  const missing = (file.missing ?? 0) + others
  const written = `${file.name}: ${file.events} ${file.events === 1 ? 'event' : 'events'}`
  said.value = missing ? `${written}; ${missing} of those shown have fallen out of the trace.` : `${written}.`
}

/** A link to a moment: the drawer opens and stands still there. */
watch(
  () => [here.query.moment, engine.events.length > 0, run.value > 0] as const,
  async ([moment, isThere, runs]) => {
    if (typeof moment !== 'string' || !isThere || !runs) return
    open.value = true
    const keptOne = kept.value.find((event) => keyOf(event) === moment)
    filter.value = { ...everything(), keptOnly: keptOne !== undefined }
    still.value = engine.events
    const { serial, isGone } = keptOne ? { serial: keptOne.serial, isGone: false } : atMoment(engine.events, run.value, moment)
    said.value = isGone
      ? 'That moment is no longer in the trace, which keeps the newest 500 events. This is the oldest one there is.'
      : ''
    const key = keptOne ? moment : momentOf(run.value, serial ?? 0)
    more.value = Math.max(SHOWN, all.value.findIndex((event) => event.serial === serial) + 1)
    unfolded.value = new Set([key])
    await nextTick()
    list.value?.querySelector(`[data-moment="${key}"]`)?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)
</script>

<template>
  <section class="drawer" :class="{ open }" aria-label="Trace">
    <div class="bar">
      <button type="button" class="handle" :aria-expanded="open" @click="open = !open">Trace <kbd>T</kbd></button>
      <span v-if="!open" class="newest">{{ newest }}</span>
      <TraceFilters v-else v-model="filter" :ports="show.ports" :routes="show.routes" :kept="kept.length">
        <button type="button" class="small-button" :aria-pressed="still !== null" @click="pause">
          {{ still ? 'Resume' : 'Pause' }}
        </button>
        <span class="quiet figures">{{ found.length === all.length ? all.length : `${found.length} of ${all.length}` }}</span>
        <button
          type="button"
          class="small-button"
          :disabled="found.length === 0"
          title="What is shown, a line of JSON for each event"
          @click="write('json lines')"
        >
          Save as JSON lines
        </button>
        <button
          type="button"
          class="small-button"
          :disabled="found.length === 0"
          title="The bytes of what is shown, for a protocol analyser"
          @click="write('pcapng')"
        >
          Save as pcapng
        </button>
      </TraceFilters>
    </div>
    <p v-if="open && said" class="said" role="status">
      {{ said }} <button type="button" class="small-button" @click="said = ''">Close</button>
    </p>
    <ol v-if="open" ref="list" class="events" tabindex="0" aria-label="Events, newest first">
      <li v-if="events.length === 0" class="empty">
        <template v-if="all.length === 0 && filter.keptOnly"
          >Nothing is kept. Unfold an event and press "Keep": it stays on this machine.</template
        >
        <template v-else-if="all.length > 0">
          None of {{ all.length }} events fits.
          <button type="button" class="small-button" @click="filter = everything()">Show all</button></template
        >
        <template v-else>Nothing has happened yet. Move something at a desk, or play a stand-in.</template>
      </li>
      <li v-for="event in events" :key="keyOf(event)" :data-moment="keyOf(event)">
        <TraceEntry
          :event="event"
          :moment="keyOf(event)"
          :unfolded="unfolded.has(keyOf(event))"
          :kept="isKept(event, event.run ?? run)"
          @toggle="toggle(keyOf(event))"
          @keep="turn(event, event.run ?? run)"
        />
      </li>
      <li v-if="found.length > events.length" class="empty">
        <button type="button" class="small-button" @click="more += SHOWN">Show {{ found.length - events.length }} older</button>
      </li>
    </ol>
  </section>
</template>

<style scoped src="./traceDrawer.css"></style>
