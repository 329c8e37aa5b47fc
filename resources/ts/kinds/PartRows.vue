<script setup lang="ts">
import type { FieldOfPart, Values } from '@/api/show'
import PartFields from './PartFields.vue'
import type { Scope } from './parts'

/** A list of parts that are all alike, one row each. */
const props = defineProps<{ field: FieldOfPart; outer?: Scope; fault?: (path: string) => string | undefined; at?: string }>()
const rows = defineModel<Values[]>({ required: true })
const fields = () => props.field.part?.fields ?? []
/** A run of slots begins where the one before it ends. */
function next(): Values {
  const last = rows.value.at(-1)
  const end = Number(last?.last ?? last?.first ?? 0)
  return fields().some((field) => field.name === 'first') ? { first: Math.min(512, end + 1) } : {}
}
const change = (at: number, row: Values) => {
  rows.value = rows.value.map((one, i) => (i === at ? row : one))
}
const remove = (at: number) => {
  rows.value = rows.value.filter((_, i) => i !== at)
}
</script>

<template>
  <section class="wide" :aria-label="field.label" :title="field.help">
    <h3>{{ field.label }}</h3>
    <div v-for="(row, i) in rows" :key="i" class="row">
      <div class="cells">
        <PartFields
          :model-value="row"
          :fields="fields()"
          :outer="outer"
          :fault="fault"
          :at="`${at ?? ''}${i}/`"
          @update:model-value="change(i, $event)"
        />
      </div>
      <button type="button" class="small-button" :aria-label="`${field.label}: take ${i + 1} out`" @click="remove(i)">
        Remove
      </button>
    </div>
    <button type="button" class="small-button" :aria-label="`${field.label}: add one`" @click="rows = [...rows, next()]">
      Add
    </button>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px;
  margin: 10px 0;
  align-items: center;
}
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(88px, 1fr));
  gap: 12px 6px;
}
.cells :deep(.wide) {
  grid-column: span 2;
}
</style>
