<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow } from '@/api/show'
import { useUsual } from '@/kinds/followed'
import { useEngine } from '@/live/engine'
import type { Answers } from '@/live/messages'

/** A timeline's triggers as lines: looked at first, then sent one after the other; what was sent and what came back. */
const props = defineProps<{ desk: string }>()
const show = useShow()
const engine = useEngine()
engine.follow(() => ['desk'])
const timeline = useUsual(() => show.timelines[0]?.id ?? '')
const template = ref('make cue {number} called "{name}"')
const lines = ref<Answers['render-lines']['lines']>([])
const failed = ref('')
const wrong = computed(() => lines.value.filter((one) => !one.isRight).length)
const news = computed(() => (engine.desk?.desk === props.desk ? engine.desk : null))
async function look(): Promise<void> {
  failed.value = ''
  const answer = await engine.renderLines({ desk: props.desk, timeline: timeline.value, template: template.value })
  lines.value = answer.lines ?? []
  failed.value = answer.ok ? (lines.value.length === 0 ? 'That timeline has no triggers.' : '') : (answer.error ?? '')
}
async function send(): Promise<void> {
  const answer = await engine.sendLines(
    props.desk,
    lines.value.map((one) => one.typed),
  )
  failed.value = answer.ok ? '' : (answer.error ?? '')
}
</script>

<template>
  <section aria-label="Lines of a timeline">
    <h3>From a timeline</h3>
    <form class="row" @submit.prevent="look">
      <select v-model="timeline" class="inline-field" aria-label="Timeline">
        <option v-for="one in show.timelines" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <input v-model="template" class="inline-field figures wide" aria-label="Line of each trigger" maxlength="300" />
      <button type="submit" class="small-button" :disabled="timeline === '' || template === ''">Dry run</button>
    </form>
    <p class="small quiet">{number}, {name}, {at}, {time} and {track} are those of each trigger.</p>
    <template v-if="lines.length > 0">
      <p class="small" role="status">
        {{ lines.length }} lines{{ wrong > 0 ? `, ${wrong} of them not taken: nothing is sent` : ', all of them taken' }}.
      </p>
      <ol class="lines small figures">
        <li v-for="(one, i) in lines" :key="i" :class="{ wrong: !one.isRight }">
          {{ one.isRight ? one.sends : `${one.typed} — ${one.problem}` }}
        </li>
      </ol>
    </template>
    <div class="row">
      <v-btn v-if="!news?.isRunning" :disabled="lines.length === 0 || wrong > 0" @click="send"
        >Send {{ lines.length || '' }} lines</v-btn
      >
      <v-btn v-else color="error" @click="engine.stopLines()">Stop</v-btn>
      <template v-if="news && news.count > 0">
        <progress :max="news.count" :value="news.sent" aria-label="Lines sent" />
        <span class="small figures">{{ news.sent }} of {{ news.count }}{{ news.why ? `: ${news.why}` : '' }}</span>
      </template>
    </div>
    <p v-if="failed" class="small wrong" role="alert">{{ failed }}</p>
    <ol v-if="news && news.said.length > 0" class="said small figures" aria-label="What was said">
      <li v-for="(one, i) in news.said" :key="i" :class="{ theirs: !one.isOurs }">
        {{ one.isOurs ? '→' : '←' }} {{ one.words }}
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  margin: 12px 0 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.wide {
  flex: 1;
  min-width: 200px;
}
.lines,
.said {
  max-height: 150px;
  overflow: auto;
  margin: 6px 0;
  padding-left: 26px;
}
.said {
  padding-left: 0;
  list-style: none;
}
.theirs {
  color: var(--quiet);
}
progress {
  width: 140px;
}
</style>
