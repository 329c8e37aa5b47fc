<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type ListName, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { onceLeft } from '@/kinds/halfFilled'
import PartForm from '@/kinds/PartForm.vue'
import PartList from './PartList.vue'
import type { Row } from './rows'

/** A list of small parts on a page of something else: chosen, changed, added and deleted where they stand. */
type Small = Values & { id: string; name: string }
const props = defineProps<{
  list: ListName
  what: string
  title: string
  empty: string
  add: string
  rows: Row[]
  states?: string
}>()
const show = useShow()
const session = useSession()
const edited = ref<Small | null>(null)
const draft = ref<Values | null>(null)
const { failed, attempt } = useAttempt()
const chosenId = ref('')
const parts = computed(() => (show.document?.[props.list] as unknown as Small[] | undefined) ?? [])
const chosen = computed(() => parts.value.find((one) => one.id === chosenId.value) ?? parts.value[0])
const choose = (id: string) =>
  onceLeft(() => {
    draft.value = null
    chosenId.value = id
  })
function edit(part: Small | null): void {
  edited.value = part
  draft.value = part ? (JSON.parse(JSON.stringify(part)) as Values) : {}
}
function done(id: string): void {
  draft.value = null
  chosenId.value = id
}
const remove = (part: Small) => attempt(() => show.remove(props.list, part.id))
</script>

<template>
  <section class="panel" :aria-label="title">
    <h2>
      <slot name="title">{{ title }}</slot>
    </h2>
    <p v-if="rows.length === 0 && !draft" class="quiet">{{ empty }}</p>
    <PartList
      v-if="rows.length"
      :list="list"
      :what="what"
      :rows="rows"
      :chosen="chosen?.id"
      :states="states"
      class="rows"
      @choose="choose"
    >
      <template #row="{ row }"><slot name="row" :row="row" /></template>
    </PartList>
    <p v-if="chosen && session.mayBuild && !draft" class="actions">
      <button type="button" class="small-button" :aria-label="`Change ${chosen.name}`" @click="edit(chosen)">Change</button>
      <button type="button" class="small-button" :aria-label="`Delete ${chosen.name}`" @click="remove(chosen)">Delete</button>
    </p>
    <PartForm
      v-if="draft"
      :key="edited?.id ?? 'new'"
      v-model="draft"
      :list="list"
      :part="edited"
      class="form"
      @done="done"
      @cancel="draft = null"
    />
    <div v-else-if="session.mayBuild" class="actions">
      <v-btn @click="edit(null)">{{ add }}</v-btn>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
}
.rows {
  max-height: 320px;
}
.form {
  margin-top: 12px;
  padding: 0;
  border: 0;
}
</style>
