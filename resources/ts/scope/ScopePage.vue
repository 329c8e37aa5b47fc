<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useShow } from '@/api/show'
import LearnPanel from '@/kinds/LearnPanel.vue'
import type { Learned } from '@/kinds/learn'
import PointField from '@/kinds/PointField.vue'
import { useEngine } from '@/live/engine'
import { useCurves } from './curve'
import ScopeLane from './ScopeLane.vue'
import { readSubject, type Watched } from './subjects'

const MOST = 8
const show = useShow()
const engine = useEngine()
const route = useRoute()
const router = useRouter()
const curves = useCurves()
const seconds = ref(10)
const frozen = ref(false)
const kind = ref<'slot' | 'message' | 'point'>('slot')
const universe = ref('')
const slot = ref(1)
const port = ref('')
const address = ref('/')
const argument = ref(1)
const point = ref('')
const failed = ref('')
/** What is watched stands in the page's address, so that a reload, or a colleague, sees the same. */
const watched = computed<Watched[]>(() => [route.query.watch ?? []].flat().flatMap((one) => readSubject(String(one)) ?? []))
engine.follow(() => watched.value.map((one) => `scope:${one.subject}`))
const talking = computed(() => show.ports.filter((one) => ['osc', 'midi', 'controller'].includes(one.protocol) && one.receive))
watch(
  () => show.document,
  () => {
    universe.value ||= show.universes[0]?.id ?? ''
    port.value ||= talking.value[0]?.id ?? ''
  },
  { immediate: true },
)
/** Addresses that routes of this port name, or that came in lately. */
const known = computed(() =>
  [
    ...new Set([
      ...show.routes.flatMap((one) =>
        show.data?.routeEnds[one.id]?.hears.includes(port.value) ? (show.data.routeEnds[one.id]?.addresses ?? []) : [],
      ),
      ...engine.events
        .filter((event) => event.port === port.value && event.kind === 'message')
        .flatMap((event) => /\/\S+/.exec(event.title)?.[0].replace(/[,:]$/, '') ?? []),
    ]),
  ].slice(0, 30),
)

function change(subjects: string[]): void {
  void router.replace({ path: '/scope', query: { watch: subjects } })
}
function add(): void {
  const subject = {
    slot: `slot:${universe.value}:${Number(slot.value)}`,
    message: `message:${port.value}:${Number(argument.value)}:${address.value.trim()}`,
    point: `point:${point.value.trim()}`,
  }[kind.value]
  const read = readSubject(subject)
  const rule = {
    slot: 'Choose a universe, and a slot from 1 to 512.',
    message: 'Choose a port, and write an address that begins with /.',
    point: 'Write a point, like value:house-open or fixture:lantern/level.',
  }[kind.value]
  const now = watched.value.map((one) => one.subject)
  failed.value =
    read === null || (read.kind === 'slot' && (read.place < 1 || read.place > 512))
      ? rule
      : now.includes(subject)
        ? 'This is watched already.'
        : now.length >= MOST
          ? `At most ${MOST} at a time: take one away first.`
          : ''
  if (!failed.value) change([...now, subject])
}
function learned(what: Learned): void {
  address.value = what.address
  argument.value = what.argument
  add()
}
const drop = (subject: string) => change(watched.value.map((one) => one.subject).filter((one) => one !== subject))
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Scope</h1>
      <span class="quiet">Values over time; each arrival is a mark.</span><span class="spring" />
      <span role="group" aria-label="How far back" class="spans"
        ><button
          v-for="one in [5, 10, 30, 60]"
          :key="one"
          type="button"
          class="small-button"
          :aria-pressed="seconds === one"
          @click="seconds = one"
        >
          {{ one }} s
        </button></span
      >
      <v-btn :aria-pressed="frozen" :variant="frozen ? 'flat' : 'outlined'" @click="frozen = !frozen">{{
        frozen ? 'Resume' : 'Freeze'
      }}</v-btn>
    </div>
    <form class="add" aria-label="Watch" @submit.prevent="add">
      <v-select
        v-model="kind"
        :items="[
          { value: 'slot', title: 'A slot' },
          { value: 'message', title: 'A number in messages' },
          { value: 'point', title: 'A point' },
        ]"
        label="Watch"
      />
      <template v-if="kind === 'slot'">
        <v-select v-model="universe" :items="show.universes" item-title="name" item-value="id" label="Universe" />
        <v-text-field v-model.number="slot" type="number" label="Slot, 1 to 512" />
      </template>
      <PointField v-else-if="kind === 'point'" v-model="point" label="Point" class="point" />
      <template v-else>
        <v-select
          v-model="port"
          :items="talking"
          item-title="name"
          item-value="id"
          label="Port"
          no-data-text="Add an OSC, MIDI or controller port first"
        />
        <v-text-field v-model="address" label="Address" list="known-addresses" />
        <v-text-field v-model.number="argument" type="number" label="Argument, from 1" />
        <datalist id="known-addresses"><option v-for="one in known" :key="one" :value="one" /></datalist>
      </template>
      <v-btn type="submit" variant="flat" color="primary">Watch it</v-btn>
      <LearnPanel v-if="kind === 'message' && port" :port="port" class="learn" @learned="learned" />
    </form>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p v-if="watched.length === 0" class="empty">
      Nothing is watched yet. A smooth wave that arrives as steps shows a rate or a precision fault somewhere upstream: choose a
      slot or a message above, and move it at the other end.
    </p>
    <ScopeLane
      v-for="one in watched"
      :key="one.subject"
      :watched="one"
      :curve="curves.get(one.subject)"
      :seconds="seconds"
      :frozen="frozen"
      :height="watched.length > 2 ? 150 : 220"
      @drop="drop(one.subject)"
    />
  </div>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: 200px 1fr 1fr auto auto;
  gap: 12px;
  align-items: center;
  margin-bottom: 12px;
}
.point {
  grid-column: 2 / 5;
}
.learn {
  grid-column: 1 / -1;
}
.spans {
  display: flex;
  gap: 4px;
}
@media (max-width: 900px) {
  .add {
    grid-template-columns: 1fr;
  }
}
</style>
