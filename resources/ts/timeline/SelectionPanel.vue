<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useEditing } from './editing'
import { cutOut, spanOf, stretched, withRoom } from './reshape'

/** What is done to several at once, and to time itself. */
const editing = useEditing()
const session = useSession()
const by = ref(2)
const room = ref(4)
const count = computed(() => editing.selected.value.length)
const span = computed(() => (editing.timeline.value ? spanOf(editing.timeline.value, editing.selected.value) : null))
function stretch(): void {
  if (editing.timeline.value) editing.turnInto(stretched(editing.timeline.value, editing.selected.value, by.value))
}
function cut(): void {
  if (!editing.timeline.value || !span.value) return
  if (editing.turnInto(cutOut(editing.timeline.value, ...span.value))) editing.selected.value = []
}
function open(): void {
  if (editing.timeline.value && room.value > 0)
    editing.turnInto(withRoom(editing.timeline.value, editing.draw(editing.place.value), room.value))
}
</script>

<template>
  <section class="panel" aria-label="Selection">
    <h2>{{ count === 0 ? 'Nothing chosen' : `${count} chosen` }}</h2>
    <template v-if="session.mayBuild && span">
      <p class="small">From {{ editing.say(span[0]) }} to {{ editing.say(span[1]) }}.</p>
      <div class="row small">
        <button type="button" class="small-button" @click="stretch">Stretch</button>
        <label
          >to <input v-model.number="by" type="number" min="0.01" max="100" step="0.05" class="inline-field" /> times as
          long</label
        >
      </div>
      <div class="row small">
        <button type="button" class="small-button" @click="cut">Cut this time out</button> of all tracks that are not locked
      </div>
    </template>
    <div v-if="session.mayBuild" class="row small">
      <button type="button" class="small-button" @click="open">Make room</button>
      <label>of <input v-model.number="room" type="number" min="0.01" step="1" class="inline-field" /> where it is played</label>
    </div>
    <p class="quiet">
      Click what is on a track to change it, Shift-click for several; drag to move. Ctrl-C and Ctrl-V copy to where it is played,
      on the level that is chosen then. Wheel with Ctrl looks nearer, with Shift goes along.
    </p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin: 8px 0;
}
.row input {
  width: 76px;
}
</style>
