<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Value, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PartForm from '@/kinds/PartForm.vue'

/** Switches, numbers, choices and texts of the show's own. */
const show = useShow()
const session = useSession()
const edited = ref<Value | null>(null)
const draft = ref<Values | null>(null)
const { failed, attempt } = useAttempt()
function edit(value: Value | null): void {
  edited.value = value
  draft.value = value ? (JSON.parse(JSON.stringify(value)) as Values) : {}
}
const remove = (value: Value) => attempt(() => show.remove('values', value.id))
</script>

<template>
  <section class="panel" aria-label="Values">
    <h2>Values of the show's own</h2>
    <p v-if="show.values.length === 0 && !draft" class="quiet">
      None yet. A value is a switch, a number, a choice or a text that routes set and ask for, like "House open".
    </p>
    <div v-for="value in show.values" :key="value.id" class="value">
      <strong>{{ value.name }}</strong>
      <span class="quiet"
        >{{ value.type ?? 'switch' }}, <code class="figures">value:{{ value.id }}</code></span
      >
      <span v-if="session.mayBuild" class="buttons"
        ><button type="button" class="small-button" :aria-label="`Change ${value.name}`" @click="edit(value)">Change</button>
        <button type="button" class="small-button" :aria-label="`Delete ${value.name}`" @click="remove(value)">
          Delete
        </button></span
      >
    </div>
    <PartForm
      v-if="draft"
      :key="edited?.id ?? 'new'"
      v-model="draft"
      list="values"
      :part="edited"
      class="form"
      @done="draft = null"
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
.value {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.buttons {
  margin-left: auto;
  white-space: nowrap;
}
.form {
  margin-top: 12px;
  padding: 0;
  border: 0;
}
</style>
