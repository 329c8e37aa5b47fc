<script setup lang="ts">
import { ref, watch } from 'vue'
import { useShow, type AddressWay } from '@/api/show'
import DipPicture from './DipPicture.vue'

/** An address, in whatever numbering somebody types it: what was understood is repeated in all of them. */
const props = defineProps<{ universe: string; slotNumber: number | undefined; errorMessages?: string; free?: number | null }>()
const emit = defineEmits<{ change: [universe: string, slot: number]; reading: [done: Promise<boolean>] }>()
const show = useShow()
const text = ref(String(props.slotNumber ?? ''))
const ways = ref<AddressWay[]>([])
const problem = ref('')
let asked = 0
/** The answer to what was typed last counts. @returns whether it says one place */
async function read(typed: string, isTyped: boolean): Promise<boolean> {
  const mine = ++asked
  if (typed.trim() === '') {
    ways.value = []
    problem.value = ''
    return false
  }
  try {
    const answer = await show.readAddress(typed, props.universe)
    if (mine !== asked) return true
    ways.value = answer.ways
    problem.value = answer.problem
    const only = answer.ways[0]
    if (isTyped && only && answer.ways.length === 1) emit('change', only.universe, only.slot)
    return answer.ways.length === 1
  } catch (error) {
    problem.value = (error as Error).message
    return false
  }
}
function type(now: string): void {
  text.value = now
  emit('reading', read(now, true))
}
function take(universe: string, slot: number): void {
  text.value = String(slot)
  emit('change', universe, slot)
  emit('reading', read(String(slot), false))
}
watch(
  () => [props.universe, props.slotNumber],
  ([universe, slot]) => {
    const isSaid = ways.value.length === 1 && ways.value[0]?.universe === universe && ways.value[0]?.slot === slot
    if (isSaid || slot === undefined) return
    text.value = String(slot)
    void read(text.value, false)
  },
  { immediate: true },
)
</script>

<template>
  <div class="wide entry">
    <v-text-field
      :model-value="text"
      label="Address"
      title="101, 3.101 or 3/101, 1125, 0:0:2/101, palm-house/101"
      :error-messages="errorMessages || problem"
      @update:model-value="type"
    />
    <button v-if="free && free !== slotNumber" type="button" class="small-button free" @click="take(universe, free)">
      Next free: {{ free }}
    </button>
    <template v-if="ways.length === 1 && ways[0]">
      <p class="small">
        {{ show.universeName(ways[0].universe) }}, slot {{ ways[0].slot }}
        <span class="quiet">· {{ ways[0].numberings.join(' · ') }}</span>
      </p>
    </template>
    <div v-else-if="ways.length > 1" role="group" aria-label="What it may mean">
      <p class="small">Which one is meant?</p>
      <button
        v-for="way in ways"
        :key="way.universe"
        type="button"
        class="small-button way"
        @click="take(way.universe, way.slot)"
      >
        {{ show.universeName(way.universe) }}, slot {{ way.slot }}: {{ way.why }}
      </button>
    </div>
    <details class="small">
      <summary>Switches at the fixture</summary>
      <DipPicture :address="slotNumber ?? 1" changes @change="take(universe, $event)" />
    </details>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.entry > :first-child {
  width: 100%;
}
.way {
  display: block;
  margin-top: 6px;
  text-align: left;
}
summary {
  cursor: pointer;
}
</style>
