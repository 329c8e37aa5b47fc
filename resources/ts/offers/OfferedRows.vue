<script setup lang="ts">
import { computed, ref } from 'vue'
import type { KindPart, Values } from '@/api/show'
import KindParts from '@/kinds/KindParts.vue'
import PointField from '@/kinds/PointField.vue'
import { useEngine } from '@/live/engine'
import { moved, slotsOf } from './offered'

/** The parameters of an offer, in an order of one's own: a point is added with what usually fits it. */
const props = defineProps<{ first: number | null; fault: (path: string) => string | undefined }>()
const rows = defineModel<Values[]>({ required: true })
const engine = useEngine()
const point = ref('')
const failed = ref('')
const opened = ref<number | null>(null)
const slots = computed(() => slotsOf(rows.value, props.first ?? 1))
const functionsOf = (row: Values) => (row.functions ?? []) as KindPart[]
const counted = (row: Values) =>
  functionsOf(row).length === 0
    ? 'changes nothing'
    : functionsOf(row).length === 1
      ? '1 function'
      : `${functionsOf(row).length} functions`
/** Whether something is wrong with a row, or within it. */
const isWrong = (at: number) =>
  ['name', 'id', 'bits', 'functions'].some((name) => props.fault(`parameters/${at}/${name}`)) ||
  functionsOf(rows.value[at] ?? {}).some((_, k) =>
    ['', '/first', '/last', '/point', '/points', '/value'].some((field) =>
      props.fault(`parameters/${at}/functions/${k}${field}`),
    ),
  )
const wordsOf = (at: number) =>
  [
    'id',
    ...functionsOf(rows.value[at] ?? {}).flatMap((_, k) => [`functions/${k}`, `functions/${k}/first`, `functions/${k}/last`]),
  ]
    .map((path) => props.fault(`parameters/${at}/${path}`))
    .filter(Boolean)
const change = (at: number, fields: Values) => {
  rows.value = rows.value.map((one, i) => (i === at ? { ...one, ...fields } : one))
}
const remove = (at: number) => {
  opened.value = null
  rows.value = rows.value.filter((_, i) => i !== at)
}
const move = (at: number, by: -1 | 1) => {
  opened.value = null
  rows.value = moved(rows.value, at, by)
}
async function add(): Promise<void> {
  const answer = await engine.suggest(point.value)
  failed.value = answer.ok ? '' : (answer.error ?? 'The engine does not answer.')
  if (!answer.ok) return
  rows.value = [...rows.value, answer.part as Values]
  point.value = ''
}
const addSpare = () => {
  rows.value = [...rows.value, { name: `Spare ${rows.value.length + 1}` }]
}
</script>

<template>
  <section aria-label="Parameters">
    <h3>Parameters</h3>
    <p v-if="fault('parameters')" class="wrong small">{{ fault('parameters') }}</p>
    <div v-for="(row, i) in rows" :key="i" class="parameter" :class="{ opened: opened === i }">
      <div class="line">
        <span class="figures quiet slots">{{ first === null ? i + 1 : slots[i] }}</span>
        <input
          class="inline-field"
          :value="row.name"
          :aria-label="`Parameter ${i + 1}`"
          maxlength="60"
          @input="change(i, { name: ($event.target as HTMLInputElement).value })"
        />
        <select
          class="inline-field"
          :value="row.bits ?? '8'"
          :aria-label="`Parameter ${i + 1}, bits`"
          @change="change(i, { bits: ($event.target as HTMLSelectElement).value })"
        >
          <option value="8">8 bits</option>
          <option value="16">16 bits</option>
        </select>
        <button
          type="button"
          class="small-button"
          :class="{ wrong: isWrong(i) }"
          :aria-expanded="opened === i"
          :aria-label="`Parameter ${i + 1}, ${counted(row)}`"
          @click="opened = opened === i ? null : i"
        >
          {{ counted(row) }}
        </button>
        <span class="moves">
          <button
            type="button"
            class="small-button"
            :aria-label="`Parameter ${i + 1}, up`"
            :disabled="i === 0"
            @click="move(i, -1)"
          >
            ↑
          </button>
          <button
            type="button"
            class="small-button"
            :aria-label="`Parameter ${i + 1}, down`"
            :disabled="i === rows.length - 1"
            @click="move(i, 1)"
          >
            ↓
          </button>
          <button type="button" class="small-button" :aria-label="`Parameter ${i + 1}, remove`" @click="remove(i)">Remove</button>
        </span>
      </div>
      <p v-for="words in wordsOf(i)" :key="words" class="wrong small">{{ words }}</p>
      <div v-if="opened === i" class="inside">
        <v-text-field
          :model-value="row.id"
          label="Called by addresses"
          :error-messages="fault(`parameters/${i}/id`)"
          @update:model-value="change(i, { id: $event || undefined })"
        />
        <KindParts
          :model-value="functionsOf(row)"
          of="offeredFunction"
          title="What its values do"
          :fault="fault"
          :at="`parameters/${i}/functions/`"
          @update:model-value="change(i, { functions: $event })"
        />
      </div>
    </div>
    <div class="add">
      <PointField v-model="point" label="Offer this point" class="point" @keydown.enter.prevent="add" />
      <button type="button" class="small-button" :disabled="point === ''" @click="add">Add the point</button>
      <button type="button" class="small-button" @click="addSpare">Add a spare slot</button>
    </div>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
  </section>
</template>

<style scoped>
.parameter {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
.line,
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.line > input {
  flex: 1 1 140px;
  min-width: 0;
}
.slots {
  width: 64px;
}
.moves {
  display: flex;
  gap: 4px;
}
.inside {
  display: grid;
  gap: 10px;
  padding: 10px 0 10px 12px;
  border-left: 2px solid var(--rule);
}
.add {
  margin-top: 12px;
}
.point {
  flex: 1 1 220px;
}
</style>
