<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { spellLevel } from '@/components/levels'
import { useEngine } from '@/live/engine'
import { countOf, nextRaised, readSelection, runsOf, spellSelection, typedSelection } from './selection'

/** Slots are typed, or chosen in the grid and stand here: with a level they are held, without one they are gone to. */
const props = defineProps<{ universe: string }>()
const picked = defineModel<number[]>('picked', { required: true })
const slot = defineModel<number>('slot', { required: true })
const raisedOnly = defineModel<boolean>('raisedOnly', { required: true })
const engine = useEngine()
const session = useSession()
const text = ref('')
/** So many slots are held without asking. */
const MOST_UNASKED = 32
const asks = ref(false)
watch(picked, (slots) => {
  if (slots.length > 1) text.value = `${typedSelection(slots)} @ `
})
const understood = computed(() => (text.value.trim() ? readSelection(text.value.replace(/@\s*$/, '')) : null))
const wrong = computed(() => (typeof understood.value === 'string' ? understood.value : undefined))
const selection = computed(() => (typeof understood.value === 'string' ? null : understood.value))
const said = computed(() => {
  if (!selection.value) return 'Like 1-12 + 20 @ 50 %: holds them. Without a level it goes there.'
  return spellSelection(selection.value)
})

function enter(): void {
  const now = selection.value
  if (!now) return
  slot.value = now.slots[0] ?? slot.value
  if (now.level === null) {
    picked.value = now.slots
    return
  }
  if (!session.mayOperate) return
  if (now.slots.length > MOST_UNASKED && !asks.value) {
    asks.value = true
    return
  }
  asks.value = false
  for (const [first, last] of runsOf(now.slots)) void engine.hold(props.universe, first, now.level, last)
  text.value = ''
  picked.value = []
}
function go(by: 1 | -1): void {
  slot.value = nextRaised(engine.levelsNow(props.universe), slot.value, by) ?? slot.value
}
</script>

<template>
  <form class="selection" @submit.prevent="enter">
    <v-text-field
      v-model="text"
      label="Slots @ level"
      :hint="said"
      persistent-hint
      :error-messages="wrong"
      autocomplete="off"
      @update:model-value="asks = false"
    />
    <button type="button" class="small-button" @click="go(-1)">Last raised</button>
    <button type="button" class="small-button" @click="go(1)">Next raised</button>
    <button type="button" class="small-button" :aria-pressed="raisedOnly" @click="raisedOnly = !raisedOnly">
      {{ raisedOnly ? 'All slots' : 'Raised only' }}
    </button>
    <p v-if="asks && selection && selection.level !== null" class="asks" role="alert">
      Hold {{ countOf(selection.slots) }} at {{ spellLevel(selection.level) }}?
      <button type="submit" class="small-button">Hold them</button>
      <button type="button" class="small-button" @click="asks = false">Cancel</button>
    </p>
  </form>
</template>

<style scoped>
.selection {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) auto auto auto;
  gap: 8px;
  align-items: start;
  margin-bottom: 6px;
}
.selection .small-button {
  height: 38px;
}
.asks {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .selection {
    grid-template-columns: 1fr 1fr 1fr;
  }
  .selection > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
