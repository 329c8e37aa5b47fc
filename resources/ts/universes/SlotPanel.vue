<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { levelFormat, readLevel, spellLevel } from '@/components/levels'
import { useEngine } from '@/live/engine'
import type { SlotReport } from '@/live/types'
import ParameterHold from './ParameterHold.vue'

const props = defineProps<{ universe: string; slotNumber: number }>()
const text = defineModel<string>('text', { required: true })
const session = useSession()
const engine = useEngine()
const last = ref<number | null>(null)
const seconds = ref(300)
const report = ref<SlotReport | null>(null)
/** The level that somebody is being asked about. */
const asksFor = ref<number | null>(null)
const hold = computed(() => engine.holds.find((one) => one.universe === props.universe && one.slot === props.slotNumber))
const typed = computed(() => readLevel(text.value))
const allowed = computed(() => ({ '0–255': '0 to 255', 'per cent': '0 to 100', hex: '00 to FF' })[levelFormat.value])

let asking = false
async function look(): Promise<void> {
  if (asking) return
  asking = true
  const slot = props.slotNumber
  const answer = await engine.explain(props.universe, slot)
  asking = false
  if (answer.ok && slot === props.slotNumber) report.value = answer as unknown as SlotReport
}
let timer = 0
onMounted(() => {
  timer = window.setInterval(() => void look(), 200)
})
onUnmounted(() => clearInterval(timer))
watch(
  () => [props.universe, props.slotNumber],
  () => {
    report.value = null
    last.value = null
    asksFor.value = null
    void look()
  },
  { immediate: true },
)

/** So many slots are held without asking. */
const MOST_UNASKED = 32
const end = computed(() => Math.max(props.slotNumber, Number(last.value) || props.slotNumber))
function setHold(level: number | null): void {
  if (level === null) return
  if (end.value - props.slotNumber >= MOST_UNASKED) asksFor.value = level
  else holdNow(level)
}
function holdNow(level: number): void {
  void engine.hold(props.universe, props.slotNumber, level, end.value, Number(seconds.value) || undefined)
  asksFor.value = null
  last.value = null
  text.value = ''
}
function release(): void {
  void engine.release(props.universe, props.slotNumber, end.value)
}
defineExpose({ hold: () => setHold(typed.value), release })
</script>

<template>
  <section aria-label="Slot">
    <h2>
      Slot {{ slotNumber }} <span class="figures">at {{ spellLevel(report?.level ?? 0) }}</span>
    </h2>
    <p aria-live="polite">{{ report?.why ?? '' }}</p>
    <table v-if="report && report.contributions.length" class="plain">
      <thead>
        <tr>
          <th>Source</th>
          <th>Sends</th>
          <th>Priority</th>
          <th>In control</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, i) in report.contributions" :key="i" :class="{ quiet: !one.leads }">
          <td>{{ one.name }}</td>
          <td class="figures">{{ spellLevel(one.level) }}</td>
          <td class="figures">{{ one.priority ?? 'added' }}</td>
          <td>{{ one.leads ? 'yes' : 'outranked' }}</td>
        </tr>
      </tbody>
    </table>
    <form class="hold" @submit.prevent="setHold(typed)">
      <v-text-field
        v-model="text"
        label="Hold at"
        :hint="allowed"
        persistent-hint
        :disabled="!session.mayOperate"
        :error-messages="text !== '' && typed === null ? `Use ${allowed}.` : undefined"
      />
      <v-text-field
        v-model.number="last"
        type="number"
        label="to slot"
        :placeholder="String(slotNumber)"
        :disabled="!session.mayOperate"
      />
      <v-text-field v-model.number="seconds" type="number" label="Hold time (s)" :disabled="!session.mayOperate" />
      <v-btn type="submit" :disabled="!session.mayOperate || typed === null">Hold</v-btn>
      <v-btn :disabled="!session.mayOperate" @click="setHold(255)">Full</v-btn>
      <v-btn :disabled="!session.mayOperate || !hold" @click="release">Release</v-btn>
    </form>
    <p v-if="asksFor !== null" class="asks" role="alert">
      Hold {{ end - slotNumber + 1 }} slots at {{ spellLevel(asksFor) }}?
      <button type="button" class="small-button" @click="holdNow(asksFor)">Hold them</button>
      <button type="button" class="small-button" @click="asksFor = null">Cancel</button>
    </p>
    <ParameterHold :universe="universe" :slot-number="slotNumber" />
    <p class="small">
      <router-link :to="{ path: '/scope', query: { watch: `slot:${universe}:${slotNumber}` } }"
        >Watch this slot over time</router-link
      >
    </p>
    <p v-if="hold" class="held">Held at {{ spellLevel(hold.level) }} by {{ hold.by }}; ends by itself in {{ hold.left }} s.</p>
  </section>
</template>

<style scoped>
.hold {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin: 12px 0 4px;
  align-items: start;
}
.hold .v-btn {
  padding: 0 12px;
  min-width: 0;
}
.held {
  color: var(--held);
}
</style>
