<script setup lang="ts">
import { computed, ref } from 'vue'
import type { KindPart, Route, Values } from '@/api/show'
import FormFrame from '@/kinds/FormFrame.vue'
import KindParts from '@/kinds/KindParts.vue'
import { without } from '@/kinds/conflicts'
import { useStoring } from '@/kinds/storing'
import RouteTrial from './RouteTrial.vue'

/** A route step by step: when, if, what becomes of the value, and what is done. */
const props = defineProps<{ route: Route | null; name: string; when?: KindPart | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const { store, fault, wrong, busy, conflict } = useStoring('routes')
const listOf = (value: unknown): KindPart[] => (Array.isArray(value) ? (value as KindPart[]) : value ? [value as KindPart] : [])
const name = ref(props.route?.name ?? props.name)
const enabled = ref(props.route?.enabled ?? true)
const folder = ref(props.route?.folder ?? '')
const note = ref(props.route?.note ?? '')
const when = ref(listOf(props.route?.when ?? props.when))
const conditions = ref(listOf(props.route?.if))
const steps = ref(listOf(props.route?.steps))
const actions = ref(listOf(props.route?.do))
const back = ref(listOf(props.route?.back))

/** One trigger alone stands in the document without a list around it. */
const whenFault = (path: string) => fault(when.value.length === 1 ? path.replace('when/0/', 'when/') : path)

const part = computed(() => ({
  name: name.value,
  enabled: enabled.value,
  ...(folder.value ? { folder: folder.value } : {}),
  ...(note.value ? { note: note.value } : {}),
  when: when.value.length === 1 ? when.value[0] : when.value,
  ...(conditions.value.length ? { if: conditions.value } : {}),
  ...(steps.value.length ? { steps: steps.value } : {}),
  do: actions.value,
  ...(back.value[0] ? { back: back.value[0] } : {}),
}))
const typed = computed(() => ({ ...part.value, ...(props.route ? { id: props.route.id } : {}) }))

async function save(): Promise<void> {
  const id = await store(props.route?.id, part.value)
  if (id !== null) emit('done', id)
}
/** What was chosen field by field, of theirs and mine. */
async function choose(chosen: Values): Promise<void> {
  const id = await store(props.route?.id, without(chosen, 'id'))
  if (id !== null) emit('done', id)
}
</script>

<template>
  <FormFrame
    name="Route"
    :title="route ? 'Change the route' : 'New route'"
    :save="route ? 'Save' : 'Add the route'"
    :wrong="wrong"
    :busy="busy"
    :conflict="conflict"
    :content="[name, enabled, folder, note, when, conditions, steps, actions, back]"
    @choose="choose"
    @save="save"
    @cancel="emit('cancel')"
  >
    <div class="long">
      <slot />
      <v-text-field v-model="name" label="Name" autofocus />
      <v-switch v-model="enabled" label="Enabled" />
      <v-text-field v-model="folder" label="Folder; empty for none" />
      <v-text-field v-model="note" label="Note for people" />
      <KindParts v-model="when" of="trigger" :fault="whenFault" at="when/" title="When any of these" />
      <KindParts v-model="conditions" of="condition" :fault="fault" at="if/" title="And only if" />
      <KindParts v-model="steps" of="step" :fault="fault" at="steps/" title="What becomes of the value" />
      <KindParts v-model="actions" of="action" :fault="fault" at="do/" title="Then do" />
      <KindParts v-model="back" of="back" :fault="fault" at="back/" title="What its control is told" alone />
      <RouteTrial v-if="when.length && actions.length" :route="typed" />
    </div>
  </FormFrame>
</template>

<style scoped>
.long {
  display: grid;
  gap: 12px;
}
</style>
