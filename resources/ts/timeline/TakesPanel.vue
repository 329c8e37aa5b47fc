<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useEditing } from './editing'
import TakeRow from './TakeRow.vue'
import { MODES, useTakes } from './takes'

/** Movements flown by hand: what is armed and how it is written; and the takes that were kept. */
const takes = useTakes()
const editing = useEditing()
const session = useSession()
const { how, tracks, isAtWork, waits, state } = takes
const said = ref('')
async function turn(): Promise<void> {
  said.value = ''
  if (isAtWork.value) said.value = await takes.stop()
  else await takes.record()
}
async function keep(): Promise<void> {
  said.value = await takes.keep()
}
const here = () => String(Number(editing.place.value.toFixed(2)))
</script>

<template>
  <section class="panel" aria-label="Takes">
    <h2>Record by hand</h2>
    <template v-if="session.mayBuild">
      <fieldset class="bare" :disabled="isAtWork">
        <legend class="small quiet">Armed: whatever moves these, a fader, a joystick or a page</legend>
        <label v-for="one in tracks" :key="one.id" class="line small">
          <input
            type="checkbox"
            :checked="takes.isArmed(one)"
            @change="takes.arm(one, ($event.target as HTMLInputElement).checked)"
          />
          {{ one.name }}
          <span
            v-if="takes.written.value.some((two) => one.does.kind === 'levels' && two.point === one.does.point)"
            class="writes"
            >written now</span
          >
        </label>
        <p v-if="tracks.length === 0" class="small">Add a level first, and choose what it moves.</p>
        <label class="line small"
          >It writes
          <select v-model="how.mode" class="inline-field">
            <option v-for="[value, word] in MODES" :key="value" :value="value">{{ word }}</option>
          </select></label
        >
        <label class="line small"><input v-model="how.plays" type="checkbox" /> the timeline plays meanwhile</label>
        <div class="line small">
          <label>from <input v-model="how.from" class="inline-field short figures" placeholder="0" inputmode="decimal" /></label>
          <button type="button" class="small-button" @click="how.from = here()">here</button>
          <label>to <input v-model="how.to" class="inline-field short figures" placeholder="end" inputmode="decimal" /></label>
          <button type="button" class="small-button" @click="how.to = here()">here</button>
        </div>
        <div class="line small">
          <label
            >Count-in
            <input v-model.number="how.countIn" type="number" min="0" max="60" step="0.5" class="inline-field short" /> s</label
          >
          <label
            >late by
            <input v-model.number="how.latency" type="number" min="0" max="2" step="0.01" class="inline-field short" /> s</label
          >
        </div>
        <label class="line small"
          >Told by few points, off by at most
          <input v-model.number="how.tolerance" type="number" min="0" max="50" step="0.1" class="inline-field short" /> %</label
        >
      </fieldset>
      <div class="line">
        <v-btn
          variant="flat"
          :color="isAtWork ? 'error' : 'primary'"
          :disabled="!isAtWork && (tracks.length === 0 || waits)"
          :aria-pressed="isAtWork"
          @click="turn"
          >{{ isAtWork ? 'Stop and keep' : 'Record' }}</v-btn
        >
        <span v-if="isAtWork" role="status" class="small">{{ state === 'counting' ? 'counting in' : 'recording' }}</span>
      </div>
      <div v-if="waits" class="line small" role="alert">
        A recording waits.
        <button type="button" class="small-button" @click="keep">Keep it</button>
        <button type="button" class="small-button" @click="takes.throwAway()">Throw it away</button>
      </div>
      <p v-if="said" class="small" role="status">{{ said }}</p>
    </template>
    <h3>Takes</h3>
    <p v-if="takes.takes.value.length === 0" class="small quiet">
      None yet. What is recorded is kept here, and laid on its levels; an older take can be laid again.
    </p>
    <TakeRow v-for="one in takes.takes.value" :key="one.id" :take="one" :takes="takes" />
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin: 8px 0;
}
.short {
  width: 68px;
}
.writes {
  padding: 0 6px;
  background: var(--held);
  color: rgb(var(--v-theme-background));
}
h3 {
  margin-top: 16px;
}
</style>
