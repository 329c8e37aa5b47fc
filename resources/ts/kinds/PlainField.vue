<script setup lang="ts">
import { ref, watch } from 'vue'
import type { FieldOfPart } from '@/api/show'
import { asText, asTyped } from './parts'

/** A field that is written: a number, a text, several of them with commas between. What is being typed stays as it is typed. */
const props = defineProps<{ field: FieldOfPart; errorMessages?: string }>()
const value = defineModel<unknown>({ required: true })
const text = ref(asText(value.value))
watch(value, (now) => {
  if (asText(now) !== asText(asTyped(props.field, text.value))) text.value = asText(now)
})
const isNumber = () => props.field.type === 'whole' || props.field.type === 'number'
function typed(now: string): void {
  text.value = now
  value.value = asTyped(props.field, now)
}
</script>

<template>
  <v-text-field
    :model-value="text"
    :type="isNumber() ? 'number' : 'text'"
    step="any"
    :label="field.label"
    :title="field.help"
    :class="{ wide: field.label.length > (isNumber() ? 22 : 12) || field.name === 'name' }"
    :error-messages="errorMessages"
    @update:model-value="typed"
  />
</template>
