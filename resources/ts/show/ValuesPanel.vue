<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Value, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { onceLeft } from '@/kinds/halfFilled'
import PartForm from '@/kinds/PartForm.vue'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'

/** Switches, numbers, choices and texts of the show's own. */
const show = useShow()
const session = useSession()
const edited = ref<Value | null>(null)
const draft = ref<Values | null>(null)
const { failed, attempt } = useAttempt()
const chosenId = ref('')
const chosen = computed(() => show.values.find((one) => one.id === chosenId.value) ?? show.values[0])
const rows = computed<Row[]>(() =>
  show.values.map((one) => ({ id: one.id, name: one.name, text: `value:${one.id}`, state: one.type ?? 'switch' })),
)
const choose = (id: string) =>
  onceLeft(() => {
    draft.value = null
    chosenId.value = id
  })
function edit(value: Value | null): void {
  edited.value = value
  draft.value = value ? (JSON.parse(JSON.stringify(value)) as Values) : {}
}
function done(id: string): void {
  draft.value = null
  chosenId.value = id
}
const remove = (value: Value) => attempt(() => show.remove('values', value.id))
</script>

<template>
  <section class="panel" aria-label="Values">
    <h2>Values of the show's own</h2>
    <p v-if="show.values.length === 0 && !draft" class="quiet">
      None yet. A value is a switch, a number, a choice or a text that routes set and ask for, like "House open".
    </p>
    <PartList
      v-if="show.values.length"
      list="values"
      what="own values"
      :rows="rows"
      :chosen="chosen?.id"
      states="kinds"
      class="rows"
      @choose="choose"
    >
      <template #row="{ row }">
        <strong>{{ row.name }}</strong>
        <span class="quiet small">{{ row.state }}</span>
        <code class="figures small">value:{{ row.id }}</code>
      </template>
    </PartList>
    <p v-if="chosen && session.mayBuild && !draft" class="actions">
      <button type="button" class="small-button" :aria-label="`Change ${chosen.name}`" @click="edit(chosen)">Change</button>
      <button type="button" class="small-button" :aria-label="`Delete ${chosen.name}`" @click="remove(chosen)">Delete</button>
    </p>
    <PartForm
      v-if="draft"
      :key="edited?.id ?? 'new'"
      v-model="draft"
      list="values"
      :part="edited"
      class="form"
      @done="done"
      @cancel="draft = null"
    />
    <div v-else-if="session.mayBuild" class="actions"><v-btn @click="edit(null)">Add a value</v-btn></div>
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
