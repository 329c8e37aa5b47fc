<script setup lang="ts">
import { computed, ref } from 'vue'
import { Refused, type Fault } from '@/api/client'
import { useBase } from '@/api/base'
import { useShow, type ListName, type Values } from '@/api/show'
import { useDescriptions } from './kinds'
import PartFields from './PartFields.vue'
import { sideOf, tidied, type Scope } from './parts'

/** The form of a part of any list, new or changed, as its class describes it. */
const props = defineProps<{ list: ListName, part: { id: string, name: string } | null, without?: string[], locked?: string[], before?: (part: Values) => Values }>()
const emit = defineEmits<{ done: [id: string], cancel: [] }>()
const show = useShow()
const { save } = useBase()
const descriptions = useDescriptions()
const description = computed(() => descriptions.value?.lists[props.list])
const draft = defineModel<Values>({ required: true })
const scope = computed<Scope>(() => ({ values: draft.value, fields: description.value?.fields ?? [] }))
const sides = computed(() => scope.value.fields.filter((field) => field.type === 'side' && draft.value[field.name] !== undefined && sideOf(field, scope.value)))
const faults = ref<Fault[]>([])
const failed = ref('')
const busy = ref(false)
const what = computed(() => description.value?.label.toLowerCase() ?? 'part')
const place = (path: string) => path.replace(new RegExp(`^/${props.list}/\\d+/?`), '')
/** What the server found wrong with a field. */
const fault = (path: string) => {
  const found = faults.value.find((one) => place(one.path) === path)
  return found ? `${found.problem}. ${found.allowed}` : undefined
}
const wrong = computed(() => (faults.value.length > 0 ? faults.value.map((one) => `${place(one.path).replaceAll('/', ', ') || what.value}: ${one.problem}. ${one.allowed}`) : failed.value ? [failed.value] : []))

async function store(): Promise<void> {
  busy.value = true
  faults.value = []
  failed.value = ''
  try {
    const part = tidied(props.before?.(draft.value) ?? draft.value, (description.value?.fields ?? []).filter((field) => field.type !== 'id'))
    const id = props.part?.id
    if (id) {
      await save((base) => show.replace(props.list, id, part, base))
      emit('done', id)
    } else emit('done', (await show.add(props.list, part)).id ?? '')
  } catch (error) {
    failed.value = (error as Error).message
    if (error instanceof Refused) faults.value = error.faults
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="panel" :aria-label="description?.label ?? 'Part'" @submit.prevent="store">
    <h2>{{ part ? `Change ${part.name}` : `New ${what}` }}</h2>
    <fieldset v-if="description" class="bare fields">
      <PartFields v-model="draft" :fields="description.fields" :fault="fault" :without="without" :locked="locked">
        <template v-for="(_, name) in $slots" #[name]="given"><slot :name="name" v-bind="given" :fault="fault" /></template>
      </PartFields>
    </fieldset>
    <fieldset v-for="field in sides" :key="field.name" class="bare">
      <legend>{{ field.label }}</legend>
      <div class="fields">
        <PartFields :model-value="draft[field.name] as Values" :fields="sideOf(field, scope)!.fields" :outer="scope" :fault="fault" :at="`${field.name}/`" @update:model-value="draft = { ...draft, [field.name]: $event }">
          <template v-for="(_, name) in $slots" #[name]="given"><slot :name="name" v-bind="given" :fault="fault" /></template>
        </PartFields>
      </div>
    </fieldset>
    <slot name="more" :fault="fault" />
    <div v-if="wrong.length" class="wrong" role="alert"><p v-for="line in wrong" :key="line">{{ line }}</p></div>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary" :loading="busy">{{ part ? 'Save' : `Add the ${what}` }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
    </div>
  </form>
</template>

<style scoped>
form h2 { margin-bottom: 12px; }
</style>
