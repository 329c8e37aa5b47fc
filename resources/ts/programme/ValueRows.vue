<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ValueOfAPoint } from '@/api/showDocument'
import PointField from '@/kinds/PointField.vue'
import { useEngine } from '@/live/engine'
import ForeseePanel from './ForeseePanel.vue'
import { usePointNames } from './names'
import { partOf } from './values'

/** The values of a look or a cue, one line each. */
defineProps<{ fault?: (path: string) => string | undefined }>()
const values = defineModel<ValueOfAPoint[]>({ required: true })
const { nameOf, placeName, unitOf } = usePointNames()
const engine = useEngine()
const added = ref('')
const asValue = (text: string) => (text.trim() === '' || Number.isNaN(Number(text)) ? text : Number(text))
const change = (at: number, value: ValueOfAPoint['value']) => {
  values.value = values.value.map((one, i) => (i === at ? { ...one, value } : one))
}
const remove = (at: number) => {
  values.value = values.value.filter((_, i) => i !== at)
}
/** What could be taken out at once: everything at one place. */
const places = computed(() => [...new Set(values.value.map((one) => partOf(one.point)))])
const takeOut = (event: Event) => {
  const part = (event.target as HTMLSelectElement).value
  values.value = values.value.filter((one) => partOf(one.point) !== part)
}
function add(): void {
  if (added.value === '') return
  values.value = [...values.value.filter((one) => one.point !== added.value), { point: added.value, value: 100 }]
  added.value = ''
}
</script>

<template>
  <section class="wide" aria-label="Values">
    <h3>
      Values <span class="figures">{{ values.length }}</span> <span v-if="places.length > 1">at {{ places.length }} places</span>
      <select v-if="places.length > 1" class="inline-field out" aria-label="Take all of one out" @change="takeOut">
        <option value="">take one out …</option>
        <option v-for="one in places" :key="one" :value="one">{{ placeName(one) }}</option>
      </select>
    </h3>
    <div class="rows">
      <label v-for="(one, i) in values" :key="one.point" class="row">
        <span class="name">{{ nameOf(one.point) }}</span>
        <input
          class="inline-field figures"
          :value="one.value"
          :aria-label="nameOf(one.point)"
          @change="change(i, asValue(($event.target as HTMLInputElement).value))"
        />
        <span class="quiet small unit">{{ unitOf(one.point) }}</span>
        <button type="button" class="small-button" :aria-label="`Take ${nameOf(one.point)} out`" @click="remove(i)">
          Remove
        </button>
        <span v-if="fault?.(`values/${i}/point`) ?? fault?.(`values/${i}/value`)" class="wrong small">{{
          fault?.(`values/${i}/point`) ?? fault?.(`values/${i}/value`)
        }}</span>
      </label>
    </div>
    <ForeseePanel v-if="values.length" :what="{ values }" />
    <div v-if="values.length" class="try">
      <button type="button" class="small-button" @click="engine.preview(values)">Hold these values for 15 s</button>
      <span class="quiet small">above all desks, until then or until X</span>
    </div>
    <div class="add">
      <PointField v-model="added" label="Add a point" /><button
        type="button"
        class="small-button"
        :disabled="added === ''"
        @click="add"
      >
        Add
      </button>
    </div>
  </section>
</template>

<style scoped>
.rows {
  max-height: 320px;
  overflow: auto;
  margin: 6px 0 12px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px 34px auto;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
}
.row > .wrong {
  grid-column: 1 / -1;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.inline-field {
  width: 84px;
  text-align: right;
}
.try {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 12px;
}
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
}
</style>
