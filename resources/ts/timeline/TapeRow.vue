<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useEngine } from '@/live/engine'
import type { TapeLife } from '@/live/messages'
import { tapeWords } from './tapes'
import { readTime, timeWords } from './view'

/** A tape: played, cut, called something. */
const props = defineProps<{ tape: TapeLife; isRecorded: boolean }>()
const engine = useEngine()
const session = useSession()
const failed = ref('')
interface Change {
  name?: string
  from?: number
  to?: number
  removes?: boolean
  part?: string
  forgets?: string
}
async function change(what: Change): Promise<void> {
  const answer = await engine.changeTape({ tape: props.tape.id, ...what })
  failed.value = answer.ok ? '' : (answer.error ?? '')
}
function cut(event: Event, end: 'from' | 'to'): void {
  const seconds = readTime((event.target as HTMLInputElement).value || '0')
  if (seconds === null) failed.value = 'Give a time like 1:05.5, or seconds.'
  else void change({ [end]: seconds })
}
const part = ref('')
/** What it is cut to now is called something, and can be played for itself. */
async function keepPart(): Promise<void> {
  await change({ part: part.value.trim() })
  if (failed.value === '') part.value = ''
}
const span = (from: number, to: number) => `${timeWords(from, 1)} to ${to > 0 ? timeWords(to, 1) : 'its end'}`
const press = (verb: string) => engine.pressPoint(`tape:${props.tape.id}/${verb}`)
const value = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <li class="tape">
    <v-btn
      v-if="session.mayOperate"
      :disabled="isRecorded"
      :aria-pressed="tape.at !== null"
      @click="press(tape.at === null ? 'play' : 'stop')"
      >{{ tape.at === null ? 'Play' : 'Stop' }}</v-btn
    >
    <input
      class="inline-field name"
      :aria-label="`Name of ${tape.name}`"
      :value="tape.name"
      maxlength="60"
      :disabled="!session.mayOperate"
      @change="value($event) && change({ name: value($event) })"
    />
    <span class="small words" role="status">
      <template v-if="isRecorded">is recorded now</template>
      <template v-else-if="tape.at !== null"
        >plays: <b class="figures">{{ timeWords(tape.at, 1) }}</b></template
      >
      <template v-else>{{ tapeWords(tape) }}</template>
    </span>
    <label class="small"
      >from
      <input
        class="inline-field time figures"
        :value="timeWords(tape.from, 1)"
        :disabled="!session.mayOperate"
        @change="cut($event, 'from')"
    /></label>
    <label class="small"
      >to
      <input
        class="inline-field time figures"
        :value="tape.to > 0 ? timeWords(tape.to, 1) : ''"
        placeholder="end"
        :disabled="!session.mayOperate"
        @change="cut($event, 'to')"
    /></label>
    <button
      type="button"
      class="small-button"
      :disabled="!session.mayOperate"
      :aria-pressed="tape.loops"
      @click="engine.setPoint(`tape:${tape.id}/loop`, tape.loops ? 0 : 1)"
    >
      Loop
    </button>
    <a class="small-button" :href="`/api/tapes/${tape.id}`" download>pcapng</a>
    <a class="small-button" :href="`/api/tapes/${tape.id}?form=pcap`" download>pcap</a>
    <button
      v-if="session.mayOperate"
      type="button"
      class="small-button"
      :disabled="isRecorded"
      :aria-label="`Delete ${tape.name}`"
      @click="change({ removes: true })"
    >
      Delete
    </button>
    <ul v-if="tape.parts.length > 0 || session.mayOperate" class="parts" :aria-label="`Parts of ${tape.name}`">
      <li v-for="one in tape.parts" :key="one.id">
        <button
          type="button"
          class="small-button"
          :disabled="!session.mayOperate || isRecorded"
          :aria-pressed="one.isPlayed"
          :title="span(one.from, one.to)"
          @click="press(one.isPlayed ? 'stop' : `part/${one.id}`)"
        >
          {{ one.name }}
        </button>
        <button
          v-if="session.mayOperate"
          type="button"
          class="small-button"
          :aria-label="`Forget part ${one.name}`"
          @click="change({ forgets: one.id })"
        >
          ×
        </button>
      </li>
      <li v-if="session.mayOperate">
        <form class="keep" @submit.prevent="keepPart">
          <input
            v-model="part"
            class="inline-field"
            maxlength="60"
            :aria-label="`Name of a part of ${tape.name}`"
            :placeholder="`Call ${span(tape.from, tape.to)}`"
          />
          <button type="submit" class="small-button" :disabled="part.trim() === ''">Keep as part</button>
        </form>
      </li>
    </ul>
    <p v-if="failed" class="small wrong" role="alert">{{ failed }}</p>
  </li>
</template>

<style scoped>
.tape {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.name {
  width: 220px;
}
.words {
  flex: 1;
  min-width: 180px;
}
.time {
  width: 84px;
}
.parts {
  display: flex;
  flex-basis: 100%;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 0;
  margin: 0;
  list-style: none;
}
.parts li,
.keep {
  display: flex;
  gap: 2px;
}
.keep input {
  width: 220px;
}
a {
  color: inherit;
  text-decoration: none;
}
</style>
