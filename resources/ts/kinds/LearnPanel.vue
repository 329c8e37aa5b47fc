<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useShow } from '@/api/show'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { LearnCandidate } from '@/live/messages'
import { learnedOf, spellMoved, type Learned } from './learn'

/** Learn: armed, it shows what moves at a port and how far; what is picked is told. In the same shape wherever something waits for a message. */
const props = defineProps<{
  port?: string
  slots?: boolean
  /** Whether points are learned, by touching them. */
  touch?: boolean
}>()
const emit = defineEmits<{ learned: [what: Learned] }>()
const show = useShow()
const engine = useEngine()
const armed = defineModel<boolean>('armed', { default: false })
const TOUCH = 'touch:'
const talking = computed(() => show.ports.filter((one) => ['osc', 'midi', 'controller'].includes(one.protocol) && one.receive))
const chosen = ref('')
const at = computed(
  () =>
    (props.touch ? TOUCH : props.port) ||
    chosen.value ||
    (talking.value[0]?.id ?? (props.slots && show.universes[0] ? `slot:${show.universes[0].id}` : '')),
)
const waiting = computed(() =>
  props.touch
    ? 'Touch it now: set, press or hold it on any page, or move it at its desk…'
    : `Move it now at ${nameOf(at.value)}, waiting…`,
)
const nameOf = (id: string) => (id.startsWith('slot:') ? show.universeName(id.slice(5)) : show.portName(id))
engine.follow(() => (armed.value && at.value ? [`learn:${at.value}`] : []))
const candidates = computed(() => engine.learned[at.value]?.candidates ?? [])
watch(at, () => engine.forgetLearned())
function arm(): void {
  engine.forgetLearned()
  armed.value = !armed.value
}
function pick(candidate: LearnCandidate): void {
  armed.value = false
  emit('learned', learnedOf(at.value, candidate))
}
</script>

<template>
  <section class="learn wide" aria-label="Learn">
    <button type="button" class="small-button" :aria-pressed="armed" :disabled="at === ''" @click="arm">
      {{ armed ? 'Stop learning' : 'Learn' }}
    </button>
    <template v-if="armed">
      <select v-if="!port && !touch" v-model="chosen" aria-label="Port to learn from">
        <option v-for="one in talking" :key="one.id" :value="one.id" :selected="one.id === at">{{ one.name }}</option>
        <template v-if="slots">
          <option v-for="one in show.universes" :key="one.id" :value="`slot:${one.id}`">{{ one.name }}, slots</option>
        </template>
      </select>
      <p class="small" role="status">
        {{ candidates.length === 0 ? waiting : 'Pick what you moved; what moved most stands first:' }}
      </p>
      <ul>
        <li v-for="one in candidates" :key="one.address">
          <button type="button" class="candidate" @click="pick(one)">
            <span class="figures">{{ one.words }}</span>
            <span class="quiet small">{{ spellMoved(one) }}, {{ spellAgo(engine.since(one.movedAt)) }}</span>
          </button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.learn {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
ul {
  list-style: none;
  padding: 0;
  flex-basis: 100%;
  max-height: 220px;
  overflow: auto;
}
.candidate {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  width: 100%;
  min-height: 36px;
  padding: 4px 8px;
  align-items: center;
  background: var(--sunk);
  border: 0;
  border-bottom: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  overflow-wrap: anywhere;
}
.candidate:hover {
  background: var(--fill);
}
select {
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  min-height: 30px;
  padding: 2px 8px;
}
</style>
