<script setup lang="ts">
import { computed } from 'vue'
import { useShow, type FieldOfPart, type KindPart, type Values } from '@/api/show'
import AddressField from './AddressField.vue'
import KindParts from './KindParts.vue'
import PartRows from './PartRows.vue'
import PlainField from './PlainField.vue'
import PointField from './PointField.vue'
import { asText, isShown, shown, sideOf, wordsOf, type Scope } from './parts'

/** The fields of one part, as its class describes them; whoever knows better fills the slot of a field's name. */
const props = defineProps<{
  fields: FieldOfPart[]
  outer?: Scope
  fault?: (path: string) => string | undefined
  at?: string
  without?: string[]
  locked?: string[]
}>()
const part = defineModel<Values>({ required: true })
const show = useShow()
const scope = computed<Scope>(() => ({ values: part.value, fields: props.fields, outer: props.outer }))
const now = computed(() =>
  props.fields.filter(
    (field) => field.type !== 'id' && !field.isOlder && !props.without?.includes(field.name) && isShown(field, scope.value),
  ),
)
const lists: Record<string, () => { id: string; name: string }[]> = {
  port: () => show.ports,
  universe: () => show.universes,
  profile: () => show.profiles,
  look: () => show.looks,
  'cue-list': () => show.lists,
  master: () => show.masters,
  group: () => show.groups,
  fixture: () => show.fixtures,
  tempo: () => show.tempos,
  timeline: () => show.timelines,
  timecode: () => show.timecodes,
  desk: () => show.desks,
  surface: () => show.surfaces,
  panel: () => show.panels,
}
const value = (field: FieldOfPart) => shown(field, scope.value)
const words = (field: FieldOfPart) =>
  wordsOf(field, scope.value).map((word) => ({ value: word, title: field.titles?.[word] ?? word }))
/** A label of more letters takes the width of two fields. */
const LONG = 26
const isLong = (field: FieldOfPart) => words(field).some((word) => word.title.length > 18)
const pathOf = (field: FieldOfPart) => `${props.at ?? ''}${field.name}`
/** What is wrong with a field, or with what stands in it. */
const wrong = (field: FieldOfPart) => props.fault?.(pathOf(field)) ?? props.fault?.(`${pathOf(field)}/0`)
function change(field: FieldOfPart, to: unknown): void {
  const changed: Values = { ...part.value, [field.name]: to }
  if (to === undefined) Reflect.deleteProperty(changed, field.name)
  part.value = changed
}
const listed = (field: FieldOfPart): KindPart[] => {
  const parts = part.value[field.name]
  if (Array.isArray(parts)) return parts as KindPart[]
  return parts ? [parts as KindPart] : []
}
const isAlone = (field: FieldOfPart) => field.type === 'part'
const changeParts = (field: FieldOfPart, parts: KindPart[]) => change(field, isAlone(field) ? parts[0] : parts)
</script>

<template>
  <template v-for="field in now" :key="`${field.name} ${field.label}`">
    <slot :name="field.name" :value="value(field)" :change="(to: unknown) => change(field, to)" :field="field" :scope="scope">
      <v-select
        v-if="lists[field.type]"
        :model-value="asText(value(field)) || undefined"
        :items="lists[field.type]?.()"
        item-title="name"
        item-value="id"
        class="wide"
        :clearable="!field.isNeeded"
        :label="field.label"
        :title="field.help"
        :error-messages="wrong(field)"
        @update:model-value="change(field, $event ?? undefined)"
      />
      <v-select
        v-else-if="field.type === 'word' && words(field).length > 1"
        :model-value="asText(value(field)) || undefined"
        :clearable="!field.isNeeded && field.default === null"
        :items="words(field)"
        :class="{ wide: isLong(field) }"
        :label="field.label"
        :title="field.help"
        :disabled="locked?.includes(field.name)"
        :error-messages="wrong(field)"
        @update:model-value="change(field, $event ?? undefined)"
      />
      <v-autocomplete
        v-else-if="field.type === 'ids' && lists[field.of ?? '']"
        :model-value="(value(field) ?? []) as string[]"
        :items="lists[field.of ?? '']?.()"
        item-title="name"
        item-value="id"
        multiple
        chips
        closable-chips
        class="wide"
        :label="field.label"
        :title="field.help"
        :error-messages="wrong(field)"
        @update:model-value="change(field, $event)"
      />
      <v-select
        v-else-if="field.type === 'words'"
        :model-value="(value(field) ?? []) as string[]"
        :items="words(field)"
        multiple
        chips
        closable-chips
        class="wide"
        :label="field.label"
        :title="field.help"
        :error-messages="wrong(field)"
        @update:model-value="change(field, $event)"
      />
      <v-switch
        v-else-if="field.type === 'flag'"
        :model-value="value(field) === true"
        :label="field.label"
        :title="field.help"
        :class="{ wide: field.label.length > 24 }"
        @update:model-value="change(field, $event === true)"
      />
      <PointField
        v-else-if="field.type === 'point'"
        class="wide"
        :model-value="asText(value(field))"
        :label="field.label"
        @update:model-value="change(field, $event || undefined)"
      />
      <AddressField
        v-else-if="field.type === 'our-address' || field.type === 'addresses'"
        :model-value="asText(value(field))"
        :label="field.label"
        :offer="field.type === 'addresses' ? 'broadcast' : 'ours'"
        :many="field.type === 'addresses'"
        :error-messages="wrong(field)"
        @update:model-value="change(field, field.type === 'addresses' ? $event.split(/[\s,;]+/).filter(Boolean) : $event)"
      />
      <PartRows
        v-else-if="field.type === 'objects' && field.part"
        :model-value="(value(field) ?? []) as Values[]"
        :field="field"
        :outer="scope"
        :fault="fault"
        :at="`${pathOf(field)}/`"
        @update:model-value="change(field, $event)"
      />
      <PartFields
        v-else-if="field.type === 'object' && field.part"
        :model-value="(part[field.name] ?? {}) as Values"
        :fields="field.part.fields"
        :outer="scope"
        :fault="fault"
        :at="`${pathOf(field)}/`"
        @update:model-value="change(field, $event)"
      />
      <v-switch
        v-else-if="field.type === 'side' && sideOf(field, scope)"
        :model-value="part[field.name] !== undefined"
        :label="field.label"
        @update:model-value="change(field, $event ? {} : undefined)"
      />
      <KindParts
        v-else-if="field.type === 'parts' || field.type === 'part'"
        :model-value="listed(field)"
        :of="field.of ?? ''"
        :title="field.label"
        :alone="isAlone(field)"
        :fault="fault"
        :at="`${pathOf(field)}/`"
        class="nested wide"
        @update:model-value="changeParts(field, $event)"
      />
      <PlainField
        v-else-if="!['word', 'side'].includes(field.type)"
        :model-value="value(field)"
        :field="field"
        :class="{ wide: field.label.length > LONG }"
        :error-messages="wrong(field)"
        @update:model-value="change(field, $event)"
      />
    </slot>
  </template>
</template>
