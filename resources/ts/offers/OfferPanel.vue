<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { call } from '@/api/client'
import { useSession } from '@/api/session'
import { useShow, type Offer } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'

/** One offer as its table: what each value does at slots, by OSC and by MIDI, and what arrives now. */
interface Line {
  slots: string
  parameter: string
  bits: string
  values: string
  does: string
  address: string
  argument: string
  midi: string
  id: string
  points: string[]
  first: number
  last: number
}
const props = defineProps<{ offer: Offer }>()
const emit = defineEmits<{ change: []; gone: [] }>()
/** So many parameters are followed at once. */
const MOST = 64
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const sheet = ref<{ heads: string[]; lines: Line[] } | null>(null)
watch(
  () => show.data?.revision,
  () =>
    attempt(async () => {
      sheet.value = await call('GET', `show/offers/${props.offer.id}/sheet?json=1`)
    }),
  { immediate: true },
)
const lines = computed(() => sheet.value?.lines ?? [])
const arriving = (line: Line) => `offer:${props.offer.id}/${line.id}`
const followed = computed(() => [
  ...new Set([
    ...(props.offer.universe ? lines.value.map(arriving) : []),
    ...lines.value.flatMap((line) => (line.points.length === 1 ? line.points : [])),
  ]),
])
engine.follow(() => followed.value.slice(0, MOST * 2).map((point) => `points:${point}`))
const now = (line: Line) => engine.points[arriving(line)]
const isNow = (line: Line) => {
  const value = now(line)
  return typeof value === 'number' && value >= line.first && value <= line.last
}
const standing = (line: Line) => {
  const value = line.points.length === 1 ? engine.points[line.points[0] ?? ''] : null
  return typeof value === 'number' ? String(Math.round(value * 100) / 100) : (value ?? '')
}
/** Whether a line is the first one of its parameter. */
const begins = (at: number) => lines.value[at]?.id !== lines.value[at - 1]?.id
const has = (what: 'slots' | 'address' | 'midi') => lines.value.some((line) => line[what])
const print = () => window.print()
const remove = () =>
  attempt(async () => {
    await show.remove('offers', props.offer.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Offer">
    <h2>{{ offer.name }}</h2>
    <p v-for="head in sheet?.heads" :key="head" class="figures small head">{{ head }}</p>
    <p v-if="offer.enabled === false" class="wrong">It is off: nothing that arrives does anything.</p>
    <div class="wide" role="region" aria-label="What it offers" tabindex="0">
      <table>
        <thead>
          <tr>
            <th v-if="has('slots')" scope="col">Slot</th>
            <th scope="col">Parameter</th>
            <th v-if="has('slots')" scope="col">Now</th>
            <th v-if="has('slots')" scope="col">Values</th>
            <th scope="col">What it does</th>
            <th scope="col">Stands at</th>
            <th v-if="has('address')" scope="col">OSC</th>
            <th v-if="has('midi')" scope="col">MIDI</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, i) in lines" :key="`${line.id} ${line.first}`" :class="{ begins: begins(i), now: isNow(line) }">
            <td v-if="has('slots')" class="figures">{{ begins(i) ? line.slots : '' }}</td>
            <td>
              <template v-if="begins(i)"
                ><strong>{{ line.parameter }}</strong>
                <span v-if="line.bits === '16'" class="quiet small bits">16 bits</span></template
              >
            </td>
            <td v-if="has('slots')" class="figures">
              <template v-if="isNow(line)">▸ {{ now(line) }}</template>
              <span v-else-if="begins(i) && now(line) === null" class="quiet small">no desk</span>
            </td>
            <td v-if="has('slots')" class="figures">{{ line.values }}</td>
            <td class="does" :class="{ quiet: line.points.length === 0 }">{{ line.does }}</td>
            <td class="figures">{{ standing(line) }}</td>
            <td v-if="has('address')" class="figures free">
              {{ line.address }}<span v-if="line.argument" class="quiet small argument">{{ line.argument }}</span>
            </td>
            <td v-if="has('midi')" class="figures free">{{ line.midi }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="offer.tells" class="small">OSC and MIDI are told what becomes of levels.</p>
    <p v-if="offer.note" class="small">{{ offer.note }}</p>
    <div class="actions no-print">
      <v-btn v-if="has('slots')" :href="`/api/show/offers/${offer.id}/type`">Fixture type (GDTF)</v-btn>
      <v-btn :href="`/api/show/offers/${offer.id}/sheet`">Sheet (CSV)</v-btn>
      <v-btn variant="text" @click="print">Print</v-btn>
      <template v-if="session.mayBuild">
        <v-btn @click="emit('change')">Change</v-btn><v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
  </aside>
</template>

<style scoped>
.head {
  margin: 2px 0;
}
.wide {
  overflow: auto;
  margin: 12px 0;
}
table {
  border-collapse: collapse;
  font-size: 13px;
  width: 100%;
}
td.figures:not(.free) {
  white-space: nowrap;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 3px 12px 3px 0;
}
.begins > td {
  border-top: 1px solid var(--rule);
}
.now > td {
  background: var(--sunk);
}
.does {
  min-width: 130px;
}
.bits {
  white-space: nowrap;
}
.argument {
  display: block;
}
@media print {
  .no-print {
    display: none;
  }
}
</style>
