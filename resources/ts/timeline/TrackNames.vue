<script setup lang="ts">
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { ROW, RULER } from './row'
import { withTrackFields } from './edit'
import { useEditing } from './editing'
import { useTrackKeys } from './keys'
import type { Track } from './parts'

/** The tracks by name, each beside its row; muted, alone, locked. */
const editing = useEditing()
const keys = useTrackKeys()
const session = useSession()
const show = useShow()
const SWITCHES = [
  ['muted', 'Mute', 'nothing comes of it'],
  ['solo', 'Solo', 'nothing comes of the others'],
  ['locked', 'Lock', 'it is left as it is'],
] as const
function turn(track: Track, what: 'muted' | 'solo' | 'locked'): void {
  if (editing.timeline.value) editing.turnInto(withTrackFields(editing.timeline.value, track.id, { [what]: !track[what] }))
}
function wordsOf(track: Track): string {
  if (track.does.kind === 'levels') return track.does.point || 'moves nothing yet'
  if (track.does.kind === 'triggers') return 'triggers'
  if (track.does.kind === 'clips') return 'clips'
  if (track.does.kind === 'sound') return track.does.file || 'no sound file yet'
  return track.does.port ? `notes to ${show.portName(track.does.port)}` : 'notes to no port yet'
}
function choose(track: Track): void {
  editing.selected.value = []
  editing.track.value = track.id
}
</script>

<template>
  <div class="names" :style="{ '--row': `${ROW}px`, '--ruler': `${RULER}px` }">
    <div class="near" role="group" aria-label="How near it is seen">
      <button type="button" class="small-button" aria-label="Farther away" @click="keys.zoom(1 / 1.5)">−</button>
      <button type="button" class="small-button" aria-label="Nearer" @click="keys.zoom(1.5)">+</button>
      <button type="button" class="small-button" @click="editing.fit()">All of it</button>
    </div>
    <ul :style="{ transform: `translateY(${-editing.top.value}px)` }">
      <li v-for="one in editing.timeline.value?.tracks ?? []" :key="one.id" :class="{ here: editing.track.value === one.id }">
        <button type="button" class="name" :aria-pressed="editing.track.value === one.id" @click="choose(one)">
          <strong>{{ one.name }}</strong>
          <span class="small quiet">{{ wordsOf(one) }}</span>
        </button>
        <span v-if="session.mayBuild" class="switches">
          <button
            v-for="[what, word, means] in SWITCHES"
            :key="what"
            type="button"
            class="small-button"
            :aria-pressed="one[what] ?? false"
            :aria-label="`${word} ${one.name}`"
            :title="`${word}: ${means}`"
            @click="turn(one, what)"
          >
            {{ word }}
          </button>
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.names {
  overflow: hidden;
  border-right: 1px solid var(--rule);
}
.near {
  position: relative;
  z-index: 1;
  display: flex;
  gap: 4px;
  align-items: center;
  height: var(--ruler);
  padding: 0 4px;
  background: rgb(var(--v-theme-surface));
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-direction: column;
  justify-content: center;
  height: var(--row);
  padding: 2px 8px 2px 4px;
  border-bottom: 1px solid var(--rule);
}
li.here {
  background: rgb(var(--v-theme-surface));
}
.name {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 0 4px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
}
.name span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.switches {
  display: flex;
  gap: 4px;
}
.switches .small-button {
  min-height: 24px;
  padding: 0 6px;
  font-size: 12px;
}
</style>
