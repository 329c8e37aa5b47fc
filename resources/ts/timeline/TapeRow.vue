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
async function change(what: { name?: string; from?: number; to?: number; removes?: boolean }): Promise<void> {
  const answer = await engine.changeTape({ tape: props.tape.id, ...what })
  failed.value = answer.ok ? '' : (answer.error ?? '')
}
function cut(event: Event, end: 'from' | 'to'): void {
  const seconds = readTime((event.target as HTMLInputElement).value || '0')
  if (seconds === null) failed.value = 'Give a time like 1:05.5, or seconds.'
  else void change({ [end]: seconds })
}
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
a {
  color: inherit;
  text-decoration: none;
}
</style>
