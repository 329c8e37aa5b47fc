<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Conflict } from '@/api/client'
import type { Values } from '@/api/show'
import { spelled, withValue } from './conflicts'

/** Somebody else has changed the same part: both values side by side, and one of them is chosen for each field. */
const props = defineProps<{ conflict: Conflict }>()
const emit = defineEmits<{ choose: [part: Values] }>()
const chosen = ref<Record<string, 'theirs' | 'mine'>>({})
watch(
  () => props.conflict,
  (now) => {
    // What only one of both has changed stays changed; what both have changed is mine until somebody says otherwise.
    chosen.value = Object.fromEntries(
      now.fields.map((one) => [one.field, one.both || spelled(one.mine) !== spelled(one.was) ? 'mine' : 'theirs']),
    )
  },
  { immediate: true },
)
const part = computed(() =>
  props.conflict.fields.reduce<Values>(
    (made, one) => withValue(made, one.field.split('/'), chosen.value[one.field] === 'theirs' ? one.theirs : one.mine),
    props.conflict.joined ?? {},
  ),
)
</script>

<template>
  <section aria-label="Both values" class="both">
    <h3>Changed by {{ conflict.by }} meanwhile: choose</h3>
    <table>
      <thead>
        <tr>
          <th scope="col">Field</th>
          <th scope="col">Was</th>
          <th scope="col">{{ conflict.by }}</th>
          <th scope="col">You</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in conflict.fields" :key="one.field">
          <th scope="row">{{ one.field.replaceAll('/', ', ') }}</th>
          <td class="figures quiet">{{ spelled(one.was) }}</td>
          <td v-for="who in ['theirs', 'mine'] as const" :key="who">
            <label class="figures">
              <input v-model="chosen[one.field]" type="radio" :name="`choice-${one.field}`" :value="who" />
              {{ spelled(one[who]) }}
            </label>
          </td>
        </tr>
      </tbody>
    </table>
    <v-btn @click="emit('choose', part)">Save what is chosen</v-btn>
  </section>
</template>

<style scoped>
.both {
  border-left: 3px solid var(--held);
  padding-left: 10px;
  margin-top: 12px;
}
table {
  width: 100%;
  margin: 8px 0;
  border-collapse: collapse;
}
td,
th {
  text-align: left;
  padding: 3px 8px 3px 0;
  overflow-wrap: anywhere;
}
label {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
</style>
