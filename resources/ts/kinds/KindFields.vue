<script setup lang="ts">
import { computed } from 'vue'
import { useShow, type FieldOfKind, type KindOfPart, type KindPart } from '@/api/show'
import { asText, asTyped } from './kinds'
import KindParts from './KindParts.vue'
import PointField from './PointField.vue'

/** The fields of one part, as its kind describes them. */
const props = defineProps<{ kind: KindOfPart, kinds: Record<string, KindOfPart[]> }>()
const part = defineModel<KindPart>({ required: true })
const show = useShow()
const simple = computed(() => props.kind.fields.filter((field) => !['parts', 'part'].includes(field.type)))
const nested = computed(() => props.kind.fields.filter((field) => ['parts', 'part'].includes(field.type)))
function change(field: FieldOfKind, value: unknown): void {
  const changed: KindPart = { ...part.value, [field.name]: value }
  if (value === undefined) Reflect.deleteProperty(changed, field.name)
  part.value = changed
}
const partsOf = (field: FieldOfKind): KindPart[] => {
  const value = part.value[field.name]
  if (field.type === 'parts') return (value as KindPart[] | undefined) ?? []
  return value ? [value as KindPart] : []
}
const changeParts = (field: FieldOfKind, parts: KindPart[]) => change(field, field.type === 'parts' ? parts : parts[0])
</script>

<template>
  <div class="kind-fields">
    <template v-for="field in simple" :key="field.name">
      <v-select v-if="field.type === 'port'" :model-value="asText(part[field.name])" :items="show.ports" item-title="name" item-value="id" :label="field.label" @update:model-value="change(field, $event)" />
      <v-select v-else-if="field.type === 'universe'" :model-value="asText(part[field.name])" :items="show.universes" item-title="name" item-value="id" :label="field.label" @update:model-value="change(field, $event)" />
      <v-select v-else-if="field.type === 'word'" :model-value="asText(part[field.name] ?? field.default)" :items="field.words" :label="field.label" @update:model-value="change(field, $event)" />
      <v-switch v-else-if="field.type === 'flag'" :model-value="(part[field.name] ?? field.default) === true" :label="field.label" @update:model-value="change(field, $event === true)" />
      <PointField v-else-if="field.type === 'point'" :model-value="asText(part[field.name])" :label="field.label" @update:model-value="change(field, $event || undefined)" />
      <v-text-field v-else :model-value="asText(part[field.name])" :label="field.label" @change="change(field, asTyped(field, ($event.target as HTMLInputElement).value))" />
    </template>
    <KindParts v-for="field in nested" :key="field.name" :model-value="partsOf(field)" :of="field.of" :kinds="kinds" :title="field.label" :alone="field.type === 'part'" class="nested" @update:model-value="changeParts(field, $event)" />
  </div>
</template>

<style scoped>
.kind-fields { display: grid; gap: 8px; }

</style>
