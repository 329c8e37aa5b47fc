<script setup lang="ts">
import { ref, watch } from 'vue'
import { useEngine } from '@/live/engine'
import type { FoundPoint } from '@/live/types'

/** All points of the show to choose one from: by what they belong to, and by words that their names hold. */
const emit = defineEmits<{ choose: [point: string] }>()
const engine = useEngine()
const SORTS = [
  ['look', 'Looks'],
  ['list', 'Lists'],
  ['master', 'Masters'],
  ['group', 'Groups'],
  ['fixture', 'Fixtures'],
  ['slot', 'Slots'],
  ['value', 'Values'],
  ['wave', 'Waves'],
  ['tempo', 'Tempos'],
  ['pixels', 'Pixels'],
  ['timeline', 'Timelines'],
  ['timecode', 'Time code'],
  ['route', 'Routes'],
  ['midi', 'MIDI controllers'],
  ['port', 'Ports'],
] as const
const sort = ref<string>('look')
const words = ref('')
const found = ref<FoundPoint[]>([])
const isAsked = ref(false)
let asked = 0
async function look(): Promise<void> {
  const mine = ++asked
  const points = await engine.findPoints(`${sort.value}: ${words.value}`)
  if (mine !== asked) return
  found.value = points
  isAsked.value = true
}
watch([sort, words], () => void look(), { immediate: true })
const worth = (one: FoundPoint) => (one.value === null ? '' : `${one.value}${one.unit === '' ? '' : ` ${one.unit}`}`)
</script>

<template>
  <section class="palette" aria-label="Points">
    <div class="sorts" role="group" aria-label="Of what">
      <button
        v-for="[kind, name] in SORTS"
        :key="kind"
        type="button"
        class="small-button"
        :aria-pressed="sort === kind"
        @click="sort = kind"
      >
        {{ name }}
      </button>
    </div>
    <input v-model="words" class="inline-field" placeholder="Words of its name" aria-label="Words of its name" />
    <ul tabindex="-1">
      <li v-for="one in found" :key="one.point">
        <button type="button" @click="emit('choose', one.point)">
          <span>{{ one.name }}</span>
          <span class="figures small quiet">{{ one.point }}</span>
          <span class="figures small worth">{{ worth(one) }}</span>
        </button>
      </li>
    </ul>
    <p v-if="isAsked && found.length === 0" class="small quiet">There is none.</p>
    <p v-else-if="found.length >= 50" class="small quiet">These are the first 50: type some words.</p>
  </section>
</template>

<style scoped>
.palette {
  grid-column: 1 / -1;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px;
  border: 1px solid var(--rule);
}
.sorts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
ul {
  max-height: 240px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}
li button {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
  width: 100%;
  padding: 4px 8px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  text-align: left;
}
li button:hover,
li button:focus-visible {
  background: var(--plate);
}
.worth {
  grid-column: 2;
  grid-row: 1;
}
p {
  margin: 0;
}
</style>
