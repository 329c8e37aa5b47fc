<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Timeline } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { endsOf } from './edit'
import { usePlaying } from './playing'
import TimelineTabs from './TimelineTabs.vue'
import { timeWords } from './view'

/** The timelines of the show. */
const show = useShow()
const session = useSession()
const playing = usePlaying()
const { failed, attempt } = useAttempt()
const stateOf = (id: string) => {
  const life = playing.lifeOf(id)
  return !life?.isOn ? 'stopped' : life.isPlaying ? 'playing' : 'standing'
}
const lengthOf = (one: Timeline) => (one.unit === 'beats' ? `${endsOf(one)} beats` : timeWords(endsOf(one), 0))
const follows = (one: Timeline) => {
  const code = show.timecodes.find((two) => two.id === one.timecode)
  return code ? `follows ${code.name} from ${one.startsAt ?? '00:00:00:00'}` : ''
}
const rows = computed<Row[]>(() =>
  show.timelines.map((one) => {
    const count = (one.tracks ?? []).length
    const words = [`${count} ${count === 1 ? 'track' : 'tracks'}`, lengthOf(one), follows(one), stateOf(one.id)]
    return {
      id: one.id,
      name: one.name,
      group: one.folder,
      state: stateOf(one.id),
      text: words.filter((word) => word).join(', '),
    }
  }),
)
const remove = (id: string, gone: () => void) =>
  attempt(async () => {
    await show.remove('timelines', id)
    gone()
  })
</script>

<template>
  <ListPage
    list="timelines"
    title="Timeline"
    note=""
    what="timeline"
    whats="timelines"
    path="/timeline"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.timelines"
    :rows="rows"
    empty="No timeline yet. A timeline has tracks side by side: what happens at moments, and levels over time; it is played, or follows time code."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><TimelineTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm
        :key="part?.id"
        list="timelines"
        :part="part"
        :without="['tracks', 'markers', 'takes']"
        :fresh="{ tracks: [{ id: 'triggers', name: 'Triggers', does: { kind: 'triggers' } }] }"
        @done="done"
        @cancel="cancel"
      />
    </template>
    <template #panel="{ part, change, gone }">
      <aside class="panel" aria-label="Timeline">
        <div class="top">
          <h2>{{ part.name }}</h2>
          <span class="spring" />
          <v-btn variant="flat" color="primary" :to="`/timeline-edit/${part.id}`">Open</v-btn>
        </div>
        <p>{{ rows.find((row) => row.id === part.id)?.text }}</p>
        <p v-if="part.note" class="quiet">{{ part.note }}</p>
        <div class="actions">
          <v-btn v-if="session.mayOperate" @click="playing.press(part.id, stateOf(part.id) === 'playing' ? 'pause' : 'play')">{{
            stateOf(part.id) === 'playing' ? 'Pause' : 'Play'
          }}</v-btn>
          <v-btn v-if="session.mayOperate" @click="playing.press(part.id, 'stop')">Stop</v-btn>
          <template v-if="session.mayBuild">
            <v-btn @click="change">Change</v-btn>
            <v-btn color="error" @click="remove(part.id, gone)">Delete</v-btn>
          </template>
        </div>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </template>
  </ListPage>
</template>

<style scoped>
.top,
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
