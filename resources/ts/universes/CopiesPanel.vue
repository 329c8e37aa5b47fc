<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Copy, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { onceLeft } from '@/kinds/halfFilled'
import PartForm from '@/kinds/PartForm.vue'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'

/** Slots of this universe that are copied elsewhere, and what is copied here. */
const props = defineProps<{ universe: string }>()
const show = useShow()
const session = useSession()
const mine = computed(() =>
  show.copies.filter((one) => one.from.universe === props.universe || one.to.universe === props.universe),
)
/** The copy in the form; null for a new one. */
const edited = ref<Copy | null>(null)
const draft = ref<Values | null>(null)
const { failed, attempt } = useAttempt()
watch(
  () => props.universe,
  () => {
    draft.value = null
  },
)

function sentence(copy: Copy): string {
  const count = copy.from.count ?? 1
  const repeat = copy.repeat ?? 1
  const end = Math.min(copy.limit ?? 512, copy.to.first + count * repeat - 1)
  const run = (first: number, last: number) => (first === last ? `slot ${first}` : `slots ${first}–${last}`)
  const cut = copy.limit && copy.to.first + count * repeat - 1 > copy.limit ? `, up to slot ${copy.limit}` : ''
  const from = `${run(copy.from.first, copy.from.first + count - 1)} of ${show.universeName(copy.from.universe)}`
  const to = `${run(copy.to.first, end)} of ${show.universeName(copy.to.universe)}`
  return `Copies ${from} to ${to}${repeat > 1 ? `, ${repeat} times` : ''}${cut}.`
}
function edit(copy: Copy | null): void {
  failed.value = ''
  edited.value = copy
  draft.value = copy
    ? (JSON.parse(JSON.stringify(copy)) as Values)
    : { from: { universe: props.universe }, to: { universe: props.universe } }
}
const chosenId = ref('')
const chosen = computed(() => mine.value.find((one) => one.id === chosenId.value) ?? mine.value[0])
const rows = computed<Row[]>(() =>
  mine.value.map((one) => ({ id: one.id, name: one.name, text: sentence(one), state: one.enabled === false ? 'off' : 'on' })),
)
const choose = (id: string) =>
  onceLeft(() => {
    draft.value = null
    chosenId.value = id
  })
function done(id: string): void {
  draft.value = null
  chosenId.value = id
}
const remove = (copy: Copy) => attempt(() => show.remove('copies', copy.id))
</script>

<template>
  <section aria-label="Copies">
    <h2>Slot copies</h2>
    <p v-if="mine.length === 0 && !draft" class="quiet small">
      A slot copy takes slots of a universe to another place, there or in another universe.
    </p>
    <PartList v-if="mine.length" list="copies" what="slot copies" :rows="rows" :chosen="chosen?.id" class="rows" @choose="choose">
      <template #row="{ row }">
        <strong>{{ row.name }}</strong><span v-if="row.state === 'off'" class="quiet small">switched off</span>
        <span class="quiet small sentence">{{ row.text }}</span>
      </template>
    </PartList>
    <div v-if="chosen && !draft" class="copy">
      <p class="small">{{ sentence(chosen) }}</p>
      <p v-if="session.mayBuild">
        <button type="button" class="small-button" @click="edit(chosen)">Change</button>
        <button type="button" class="small-button" :aria-label="`Delete ${chosen.name}`" @click="remove(chosen)">Delete</button>
      </p>
    </div>
    <PartForm
      v-if="draft"
      :key="edited?.id ?? 'new'"
      v-model="draft"
      list="copies"
      :part="edited"
      class="form"
      @done="done"
      @cancel="draft = null"
    />
    <button v-else-if="session.mayBuild" type="button" class="small-button" @click="edit(null)">Add a copy</button>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 6px;
}
.rows {
  max-height: 280px;
}
.copy {
  padding: 6px 0;
}
.sentence {
  overflow: hidden;
  text-overflow: ellipsis;
}
.form {
  margin-top: 12px;
}
</style>
