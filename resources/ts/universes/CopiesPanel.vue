<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Copy, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PartForm from '@/kinds/PartForm.vue'

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
  return `Copies ${run(copy.from.first, copy.from.first + count - 1)} of ${show.universeName(copy.from.universe)} to ${run(copy.to.first, end)} of ${show.universeName(copy.to.universe)}${repeat > 1 ? `, ${repeat} times` : ''}${cut}.`
}
function edit(copy: Copy | null): void {
  failed.value = ''
  edited.value = copy
  draft.value = copy
    ? (JSON.parse(JSON.stringify(copy)) as Values)
    : { from: { universe: props.universe }, to: { universe: props.universe } }
}
const remove = (copy: Copy) => attempt(() => show.remove('copies', copy.id))
</script>

<template>
  <section aria-label="Copies">
    <h2>Slot copies</h2>
    <p v-if="mine.length === 0 && !draft" class="quiet small">
      A slot copy takes slots of a universe to another place, there or in another universe.
    </p>
    <div v-for="copy in mine" :key="copy.id" class="copy">
      <strong>{{ copy.name }}</strong><span v-if="copy.enabled === false" class="quiet"> switched off</span>
      <p class="small">{{ sentence(copy) }}</p>
      <p v-if="session.mayBuild">
        <button type="button" class="small-button" @click="edit(copy)">Change</button>
        <button type="button" class="small-button" :aria-label="`Delete ${copy.name}`" @click="remove(copy)">Delete</button>
      </p>
    </div>
    <PartForm
      v-if="draft"
      :key="edited?.id ?? 'new'"
      v-model="draft"
      list="copies"
      :part="edited"
      class="form"
      @done="draft = null"
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
.copy {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.form {
  margin-top: 12px;
}
</style>
