<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import { behindItsEnd, withNewTrack } from './edit'
import { provideEditing } from './editing'
import ItemForm from './ItemForm.vue'
import SelectionPanel from './SelectionPanel.vue'
import MidiMenu from './MidiMenu.vue'
import { goAlong } from './sound'
import TakesPanel from './TakesPanel.vue'
import TimelineCanvas from './TimelineCanvas.vue'
import TrackForm from './TrackForm.vue'
import TrackNames from './TrackNames.vue'
import TransportBar from './TransportBar.vue'

/** A timeline that is built and played: its tracks over time, and what is chosen of it. */
const props = defineProps<{ id: string }>()
const show = useShow()
const session = useSession()
const id = props.id
const editing = provideEditing(id)
const { timeline, failed, selected } = editing
const track = computed(() => timeline.value?.tracks?.find((one) => one.id === editing.track.value) ?? null)
const timecode = computed(() => (timeline.value?.timecode ? editing.playing.timecodeOf(timeline.value.timecode) : null))
const state = computed(() => {
  const life = editing.life.value
  const word = !life?.isOn ? 'stopped' : life.isPlaying ? 'playing' : 'standing'
  return [
    word,
    life?.section,
    timecode.value ? `time code ${timecode.value.time}${timecode.value.isRunning ? '' : ', standing'}` : '',
  ]
    .filter((one) => one)
    .join(' · ')
})
/** Sounds that were opened here go along; where the page is left they are silent. */
const along = (isPlaying: boolean) => {
  const secondsAt = editing.grid.value.secondsAt
  for (const one of timeline.value?.tracks ?? [])
    if (one.does.kind === 'sound')
      goAlong(one, secondsAt(editing.place.value) - secondsAt(one.does.at ?? 0), isPlaying, editing.life.value?.rate ?? 1)
}
watch([editing.place, () => editing.life.value?.isPlaying], () => along(editing.life.value?.isPlaying ?? false))
onScopeDispose(() => along(false))
const behind = computed(() => (timeline.value ? behindItsEnd(timeline.value) : 0))
const said = ref('')
const seesTakes = ref(false)
const NAMES = { triggers: 'Triggers', levels: 'Level', notes: 'Notes', clips: 'Clips', sound: 'Sound' }
function add(kind: keyof typeof NAMES): void {
  if (!timeline.value) return
  const count = (timeline.value.tracks ?? []).length + 1
  const done = withNewTrack(timeline.value, kind, `${NAMES[kind]} ${count}`)
  if (editing.turnInto(done.timeline)) {
    selected.value = []
    editing.track.value = done.id
  }
}
</script>

<template>
  <div class="page edit">
    <div class="page-head">
      <h1>{{ timeline?.name ?? 'Timeline' }}</h1>
      <span class="quiet" role="status">{{ state }}</span>
      <span class="spring" />
      <template v-if="session.mayBuild">
        <v-menu>
          <template #activator="{ props: menu }"><button type="button" class="small-button" v-bind="menu">Add</button></template>
          <div class="panel menu" role="dialog" aria-label="Add">
            <button type="button" class="small-button" @click="add('triggers')">Triggers</button>
            <button type="button" class="small-button" @click="add('levels')">A level</button>
            <button type="button" class="small-button" @click="add('notes')">Notes</button>
            <button type="button" class="small-button" @click="add('clips')">Clips: looks, waves, timelines for a while</button>
            <button type="button" class="small-button" @click="add('sound')">A sound</button>
          </div>
        </v-menu>
        <button type="button" class="small-button" :aria-pressed="seesTakes" @click="seesTakes = !seesTakes">Takes</button>
        <MidiMenu @said="said = $event" />
      </template>
      <v-btn :to="`/timeline/${id}`">Settings</v-btn>
    </div>
    <GoneNote :id="id" what="timeline" :all="show.timelines" path="/timeline" :loaded="show.document !== undefined" />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p v-else-if="said" role="status">{{ said }}</p>
    <p v-if="behind > 0" class="wrong small" role="status">
      {{ behind === 1 ? 'A trigger lies' : `${behind} triggers lie` }} behind its end at {{ timeline?.length }}: make it longer in
      its settings, or they never come.
    </p>
    <template v-if="timeline">
      <TransportBar />
      <div class="desk">
        <div class="tracks">
          <TrackNames />
          <TimelineCanvas />
        </div>
        <div class="side">
          <TakesPanel v-if="seesTakes" />
          <ItemForm
            v-else-if="editing.part.value && selected[0]"
            :key="`${selected[0].track} ${selected[0].id}`"
            :item="selected[0]"
            :part="editing.part.value"
          />
          <TrackForm v-else-if="track && selected.length === 0" :key="track.id" :track="track" />
          <SelectionPanel v-else />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.menu {
  display: grid;
  gap: 6px;
}
.edit {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.desk {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 16px;
  min-height: 320px;
}
.tracks {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
  min-height: 0;
  border: 1px solid var(--rule);
}
.side {
  min-height: 0;
  overflow: auto;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    overflow: visible;
  }
  .tracks {
    grid-template-columns: 120px minmax(0, 1fr);
    min-height: 320px;
  }
}
</style>
