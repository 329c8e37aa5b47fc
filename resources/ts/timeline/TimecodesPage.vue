<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type TimeCode } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'
import { usePlaying } from './playing'
import ClockFace from './ClockFace.vue'
import TimelineTabs from './TimelineTabs.vue'

/** Time codes: where they come from, and what becomes of them when nobody says anything. */
const show = useShow()
const session = useSession()
const playing = usePlaying()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const lost = (one: TimeCode) =>
  ({ stop: 'stops at once', frames: `goes on for ${one.frames ?? 10} frames`, on: 'goes on by itself' })[one.lost ?? 'frames']
const wordsOf = (one: TimeCode) =>
  `from ${(one.from ?? []).map(show.portName).join(', then ') || 'no port yet'}; when that is lost it ${lost(one)}`
const rows = computed<Row[]>(() =>
  show.timecodes.map((one) => ({
    id: one.id,
    name: one.name,
    text: `${playing.timecodeOf(one.id)?.time ?? ''} ${wordsOf(one)}`,
  })),
)
const to = ref('')
/** As long as no port leads: if one does, the engine says so. */
const press = (id: string, verb: string) => engine.pressPoint(`timecode:${id}/${verb}`)
const put = (id: string) => engine.setPoint(`timecode:${id}`, to.value)
const followers = (id: string) => show.timelines.filter((one) => one.timecode === id)
const remove = (id: string, gone: () => void) =>
  attempt(async () => {
    await show.remove('timecodes', id)
    gone()
  })
</script>

<template>
  <ListPage
    list="timecodes"
    title="Timeline"
    note=""
    what="time code"
    whats="time codes"
    path="/timeline-codes"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.timecodes"
    :rows="rows"
    empty="No time code yet. It comes by MIDI, Art-Net or OSC, or is our own; timelines and routes go by it. Time code as sound needs a box that makes MIDI of it."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><TimelineTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm :key="part?.id" list="timecodes" :part="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <aside class="panel" aria-label="Time code">
        <h2>{{ part.name }}</h2>
        <ClockFace :id="part.id" :key="part.id" :name="part.name" />
        <p class="quiet">{{ wordsOf(part) }}</p>
        <form v-if="session.mayOperate" class="own" aria-label="Our own time" @submit.prevent="put(part.id)">
          <v-btn @click="press(part.id, 'start')">Start</v-btn>
          <v-btn @click="press(part.id, 'stop')">Stop</v-btn>
          <input v-model="to" class="inline-field figures" aria-label="Time to go to" placeholder="01:00:00:00" />
          <v-btn type="submit" :disabled="to === ''">Go there</v-btn>
          <label class="small"
            >Speed
            <input
              class="inline-field figures speed"
              type="number"
              min="-4"
              max="4"
              step="0.1"
              title="Below 0 it runs backwards"
              :value="playing.timecodeOf(part.id)?.speed ?? 1"
              @change="engine.setPoint(`timecode:${part.id}/speed`, Number(($event.target as HTMLInputElement).value))"
          /></label>
        </form>
        <p v-if="followers(part.id).length > 0">
          Followed by
          <router-link v-for="one in followers(part.id)" :key="one.id" :to="`/timeline-edit/${one.id}`">{{
            one.name
          }}</router-link>
        </p>
        <div v-if="session.mayBuild" class="actions">
          <v-btn @click="change">Change</v-btn><v-btn color="error" @click="remove(part.id, gone)">Delete</v-btn>
        </div>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </template>
  </ListPage>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 12px 0;
}
.own input {
  width: 130px;
}
.own .speed {
  width: 64px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
