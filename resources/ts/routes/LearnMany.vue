<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import type { KindPart } from '@/api/show'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useUsual } from '@/kinds/followed'
import { halfFilled } from '@/kinds/halfFilled'
import PointField from '@/kinds/PointField.vue'
import { useEngine } from '@/live/engine'
import type { LearnCandidate } from '@/live/messages'

/** Many in one go: armed once, each control that is moved becomes a line that is named, and all of them routes. */
interface Line {
  address: string
  words: string
  name: string
  way: number
  ways: LearnCandidate['ways']
}
const emit = defineEmits<{ done: [ids: string[]]; cancel: [] }>()
const show = useShow()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const talking = computed(() => show.ports.filter((one) => ['osc', 'midi', 'controller'].includes(one.protocol) && one.receive))
const port = useUsual(() => talking.value[0]?.id ?? '')
const armed = ref(false)
const began = ref(0)
const lines = ref<Line[]>([])
const forgotten = ref<string[]>([])
/** The line that is learned anew: what comes next is in its place, under its name. */
const anew = ref<number | null>(null)
const does = ref<'set' | 'press'>('set')
const point = useUsual(() => (show.universes[0] ? `slot:${show.universes[0].id}/{n}` : ''))
const first = ref(1)
engine.follow(() => (armed.value && port.value ? [`learn:${port.value}`] : []))
function arm(): void {
  engine.forgetLearned()
  armed.value = !armed.value
  began.value = Date.now()
  forgotten.value = []
}
/** What had come before it was armed is no candidate; what comes again is the same line. */
watch(
  () => engine.learned[port.value]?.candidates,
  (candidates) => {
    if (!armed.value) return
    const known = new Set([...forgotten.value, ...lines.value.map((line) => line.address)])
    const fresh = (candidates ?? []).filter(
      (one) => !known.has(one.address) && engine.since(one.movedAt) < Date.now() - began.value,
    )
    for (const one of [...fresh].sort((a, b) => a.movedAt - b.movedAt)) {
      const line = { address: one.address, words: one.name, name: '', way: 0, ways: one.ways }
      const again = anew.value === null ? undefined : lines.value[anew.value]
      if (again) Object.assign(again, line, { name: again.name })
      else lines.value.push(line)
      anew.value = null
    }
  },
)
watch(lines, (now) => (halfFilled.value = now.length ? 'Routes that were learned' : ''), { deep: true })
const pointOf = (at: number) => point.value.replace('{n}', String(Number(first.value) + at))
/** What was forgotten does not come back by being moved again, until it is armed anew. */
function learnAnew(at: number): void {
  if (!armed.value) arm()
  anew.value = anew.value === at ? null : at
}
function forget(at: number): void {
  anew.value = null
  forgotten.value.push(...lines.value.splice(at, 1).map((line) => line.address))
}
onUnmounted(() => (halfFilled.value = ''))
async function keep(): Promise<void> {
  const add = lines.value.map((line, i) => ({
    name: line.name || line.words,
    when: line.ways[line.way]?.part as KindPart,
    do: [{ kind: does.value, point: pointOf(i) }],
  }))
  await attempt(async () => {
    const answer = await show.batch('routes', { add })
    halfFilled.value = ''
    emit('done', answer.ids ?? [])
  })
}
</script>

<template>
  <aside class="panel" aria-label="Learn several">
    <h2>Learn several</h2>
    <div class="head">
      <v-select v-model="port" :items="talking" item-title="name" item-value="id" label="Port" :disabled="armed" hide-details />
      <v-btn :aria-pressed="armed" :disabled="!port" @click="arm">{{ armed ? 'Stop learning' : 'Learn' }}</v-btn>
    </div>
    <p role="status" class="small quiet">
      {{
        armed
          ? `Move or press each control once, in your order. ${lines.length} so far.`
          : lines.length
            ? `${lines.length} learned: name them.`
            : 'Arm it once, then press everything that you want to use.'
      }}
    </p>
    <ol>
      <li v-for="(line, i) in lines" :key="line.address">
        <span class="small"
          >{{ line.words }} <span class="quiet">to {{ pointOf(i) }}</span></span
        >
        <span class="deeds">
          <button
            type="button"
            class="small-button"
            :aria-label="`Learn ${line.words} anew`"
            :aria-pressed="anew === i"
            @click="learnAnew(i)"
          >
            Learn
          </button>
          <button type="button" class="small-button" :aria-label="`Forget ${line.words}`" @click="forget(i)">Forget</button>
        </span>
        <input v-model="line.name" :aria-label="`Name of ${line.words}`" :placeholder="line.words" />
        <select v-model.number="line.way" :aria-label="`How strictly, ${line.words}`">
          <option v-for="(way, w) in line.ways" :key="w" :value="w">{{ way.words }}</option>
        </select>
      </li>
    </ol>
    <template v-if="lines.length">
      <h3>What each does</h3>
      <v-select
        v-model="does"
        :items="[
          { value: 'set', title: 'Sets a point to its value' },
          { value: 'press', title: 'Presses a point' },
        ]"
        label="It"
      />
      <PointField v-model="point" label="Point; {n} counts up" />
      <v-text-field v-model.number="first" type="number" label="{n} begins at" />
    </template>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn color="primary" variant="flat" :disabled="lines.length === 0" @click="keep">Add {{ lines.length }} routes</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
    </div>
  </aside>
</template>

<style scoped>
.head,
.actions {
  display: flex;
  gap: 8px;
  align-items: center;
}
ol {
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.deeds {
  display: flex;
  gap: 4px;
  justify-self: end;
}
input,
select {
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  min-height: 30px;
  padding: 2px 8px;
  min-width: 0;
}
</style>
