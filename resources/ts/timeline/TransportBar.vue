<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useEditing } from './editing'
import { withMarker } from './edit'
import { useTrackKeys } from './keys'
import type { Snap } from './view'

/** Play, pause, stop, go somewhere; how fast; what things are drawn to, and how near it is seen. */
const editing = useEditing()
const session = useSession()
const keys = useTrackKeys()
const SNAPS = computed<[Snap, string][]>(() => [
  ['off', 'nothing'],
  ['second', 'seconds'],
  ['tenth', 'tenths'],
  ['frame', `frames (${Number(editing.grid.value.rate.toFixed(2))})`],
  ['beat', 'beats'],
  ['bar', 'bars'],
])
const mayPlay = computed(() => session.mayOperate)
const place = computed(() => editing.say(editing.place.value))
const typed = ref<string | null>(null)
function go(): void {
  const to = editing.read(typed.value ?? '')
  typed.value = null
  if (to !== null) void editing.playing.jump(editing.id, to)
}
const press = (verb: string) => void editing.playing.press(editing.id, verb)
function mark(isSection: boolean): void {
  if (!editing.timeline.value) return
  const done = withMarker(editing.timeline.value, editing.draw(editing.place.value), isSection)
  if (editing.turnInto(done.timeline)) editing.choose(done.item)
}
</script>

<template>
  <div class="bar" role="toolbar" aria-label="Playing">
    <v-btn
      variant="flat"
      color="primary"
      :disabled="!mayPlay"
      :aria-pressed="editing.life.value?.isPlaying ?? false"
      @click="press(editing.life.value?.isPlaying ? 'pause' : 'play')"
      >{{ editing.life.value?.isPlaying ? 'Pause' : 'Play' }}</v-btn
    >
    <v-btn :disabled="!mayPlay" @click="press('stop')">Stop</v-btn>
    <button type="button" class="small-button" :disabled="!mayPlay" aria-label="Previous marker" @click="press('previous')">
      Previous
    </button>
    <button type="button" class="small-button" :disabled="!mayPlay" aria-label="Next marker" @click="press('next')">Next</button>
    <input
      class="inline-field figures place"
      aria-label="Place; type another one to go there"
      :value="typed ?? place"
      :disabled="!mayPlay"
      @focus="typed = place"
      @input="typed = ($event.target as HTMLInputElement).value"
      @keydown.enter="go"
      @blur="typed = null"
    />
    <label class="small"
      >Rate
      <input
        class="inline-field rate figures"
        type="number"
        min="0.1"
        max="4"
        step="0.1"
        :value="editing.life.value?.rate ?? 1"
        :disabled="!mayPlay"
        @change="editing.playing.set(editing.id, 'rate', Number(($event.target as HTMLInputElement).value))"
    /></label>
    <button
      type="button"
      class="small-button"
      :disabled="!mayPlay"
      :aria-pressed="editing.life.value?.loops ?? false"
      @click="editing.playing.set(editing.id, 'loop', editing.life.value?.loops ? 0 : 1)"
    >
      Loop
    </button>
    <button
      type="button"
      class="small-button"
      :disabled="!mayPlay || (!editing.life.value?.section && !editing.life.value?.isRound)"
      :aria-pressed="editing.life.value?.isRound ?? false"
      title="The section that it is in goes round and round"
      @click="editing.playing.set(editing.id, 'round', editing.life.value?.isRound ? 0 : 1)"
    >
      Loop section
    </button>
    <div v-if="session.mayBuild" class="builds" role="group" aria-label="Building">
      <button type="button" class="small-button" @click="keys.set()">Set trigger <kbd>T</kbd></button>
      <button
        type="button"
        class="small-button"
        :aria-pressed="editing.drawsByHand.value"
        title="Drag over a level to draw it by hand"
        @click="editing.drawsByHand.value = !editing.drawsByHand.value"
      >
        Draw
      </button>
      <button type="button" class="small-button" @click="mark(false)">Marker</button>
      <button type="button" class="small-button" @click="mark(true)">Section</button>
      <label class="small"
        >Drawn to
        <select v-model="editing.snap.value" class="inline-field">
          <option v-for="[value, word] in SNAPS" :key="value" :value="value">{{ word }}</option>
        </select></label
      >
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.builds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-left: auto;
}
.place {
  width: 120px;
  font-size: 18px;
  text-align: right;
}
.rate {
  width: 64px;
}
</style>
