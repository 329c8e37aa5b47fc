<script setup lang="ts">
import { computed, ref, useSlots } from 'vue'
import type { FieldOfPart, ListName, Values } from '@/api/show'
import FormFrame from './FormFrame.vue'
import { useDescriptions } from './kinds'
import PartFields from './PartFields.vue'
import { foldedAway, sideOf, tidied, type Scope } from './parts'
import { without } from './conflicts'
import { useStoring } from './storing'

/** The form of a part of any list, new or changed, as its class describes it. */
const props = defineProps<{
  list: ListName
  part: { id: string; name: string } | null
  locked?: string[]
  /** What is stored instead of what was filled in; null where it cannot be stored yet, and the form says why. */
  before?: (part: Values) => Values | null | Promise<Values | null>
  /** What is done instead of adding one part to the list. */
  add?: (part: Values) => Promise<{ id?: string }>
  /** What the button of a new one says, where that is not "Add the …". */
  adds?: string
}>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const { store, fault, wrong, busy, conflict } = useStoring(props.list, props.add)
const descriptions = useDescriptions()
const description = computed(() => descriptions.value?.lists[props.list])
const draft = defineModel<Values>({ required: true })
const scope = computed<Scope>(() => ({ values: draft.value, fields: description.value?.fields ?? [] }))
const sides = computed(() =>
  scope.value.fields.flatMap((field) => {
    const side = field.type === 'side' && draft.value[field.name] !== undefined ? sideOf(field, scope.value) : undefined
    return side ? [{ field, fields: side.fields }] : []
  }),
)
/** Where there is one side only, the switch of the part is that of its side. */
const fieldsOf = (side: string, fields: FieldOfPart[]) => {
  const isNeeded = sides.value.length > 1 || (draft.value[side] as Values).enabled === false
  return isNeeded ? fields : fields.filter((one) => one.name !== 'enabled')
}
const isUnfolded = ref(false)
const folded = computed(() =>
  isUnfolded.value ? [] : foldedAway(scope.value.fields, draft.value, (name) => Boolean(fault(name))),
)
const slots = useSlots()
/** Those of fields, by their names. */
const fieldSlots = Object.keys(slots).filter((name) => name !== 'actions' && name !== 'more')
const what = computed(() => description.value?.label.toLowerCase() ?? 'part')

async function save(): Promise<void> {
  const fields = scope.value.fields.filter((field) => field.type !== 'id')
  const part = props.before ? await props.before(draft.value) : draft.value
  if (part === null) return
  const id = await store(props.part?.id, tidied(part, fields))
  if (id !== null) emit('done', id)
}
/** What was chosen field by field, of theirs and mine. */
async function choose(chosen: Values): Promise<void> {
  const id = await store(props.part?.id, without(chosen, 'id'))
  if (id !== null) emit('done', id)
}
</script>

<template>
  <FormFrame
    :name="description?.label ?? 'Part'"
    :title="part ? `Change ${part.name}` : `New ${what}`"
    :save="part ? 'Save' : (adds ?? `Add the ${what}`)"
    :wrong="wrong"
    :busy="busy"
    :conflict="conflict"
    :content="draft"
    @choose="choose"
    @save="save"
    @cancel="emit('cancel')"
  >
    <fieldset v-if="description" class="bare fields">
      <PartFields v-model="draft" :fields="description.fields" :fault="fault" :locked="locked" :without="folded">
        <template v-for="name in fieldSlots" #[name]="given"><slot :name="name" v-bind="given" :fault="fault" /></template>
      </PartFields>
      <button v-if="folded.length" type="button" class="small-button wide more" @click="isUnfolded = true">More settings</button>
    </fieldset>
    <slot name="more" />
    <template v-if="part" #actions><slot name="actions" /></template>
    <fieldset v-for="{ field, fields } in sides" :key="field.name" class="bare">
      <legend>{{ field.label }}</legend>
      <div class="fields">
        <PartFields
          :model-value="draft[field.name] as Values"
          :fields="fieldsOf(field.name, fields)"
          :outer="scope"
          :fault="fault"
          :at="`${field.name}/`"
          @update:model-value="draft = { ...draft, [field.name]: $event }"
        >
          <template v-for="name in fieldSlots" #[name]="given"><slot :name="name" v-bind="given" :fault="fault" /></template>
        </PartFields>
      </div>
    </fieldset>
  </FormFrame>
</template>

<style scoped>
.more {
  justify-self: start;
}
</style>
