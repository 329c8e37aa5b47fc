<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { keyOf } from '@/api/patched'
import { useShow, type Offer, type Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'
import { freeFor, under } from '@/patch/fixtures'
import OfferedRows from './OfferedRows.vue'
import { widthOf } from './offered'

/** An offer: where it is reached, and what its parameters do. */
const props = defineProps<{ offer: Offer | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const draft = ref<Values>(props.offer ? { ...props.offer } : { universe: show.universes[0]?.id, parameters: [] })
const parameters = computed(() => (draft.value.parameters ?? []) as Values[])
const width = computed(() => widthOf(parameters.value))
const neighbours = computed(() =>
  show.patchOf(String(draft.value.universe ?? '')).filter((one) => one.id !== `offer:${props.offer?.id ?? ''}`),
)
const free = computed(() => freeFor(neighbours.value, Math.max(1, width.value)))
let isChosen = props.offer !== null
/** Until somebody says where, it goes where there is room. */
watch(
  free,
  (now) => {
    if (!isChosen) draft.value = { ...draft.value, first: now ?? 1 }
  },
  { immediate: true },
)
const first = computed(() => Number(draft.value.first ?? 1))
const shared = computed(() => (draft.value.universe ? under(neighbours.value, first.value, width.value) : []))
const meant = computed(() => (draft.value.sharesWith ?? []) as string[])
const ports = (protocol: string) => show.ports.filter((one) => one.protocol === protocol && one.receive)
/** Where it may be reached. */
const choices = computed(() => [
  ['universe', show.universes] as const,
  ['oscPort', ports('osc')] as const,
  ['midiPort', ports('midi')] as const,
])
/** What it has in MIDI, and what that is where nobody says. */
const numbers = [
  ['channel', 1],
  ['number', 0],
] as const
const put = (fields: Values) => {
  draft.value = { ...draft.value, ...fields }
}
function startAt(text: string): void {
  isChosen = true
  put({ first: Number(text) || undefined })
}
const mean = (id: string, isMeant: boolean) => {
  const others = meant.value.filter((one) => one !== id)
  put({ sharesWith: isMeant ? [...others, id] : others })
}
</script>

<template>
  <PartForm v-model="draft" list="offers" :part="offer" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template v-for="[name, items] in choices" :key="name" #[name]="{ field, fault }">
      <v-select
        :model-value="draft[name]"
        :items="items"
        item-title="name"
        item-value="id"
        clearable
        :label="field.label"
        :title="field.help"
        :error-messages="fault(name)"
        @update:model-value="put({ [name]: $event ?? undefined })"
      />
    </template>
    <template #first="{ field, fault }">
      <div v-if="draft.universe">
        <v-text-field
          type="number"
          :model-value="draft.first"
          :label="field.label"
          :error-messages="fault('first')"
          :hint="width ? `to slot ${first + width - 1}` : ''"
          persistent-hint
          @update:model-value="startAt"
        />
        <p v-for="other in shared" :key="other.id" class="wrong small">
          Shares slots with {{ other.name }}.
          <label
            ><input
              type="checkbox"
              :checked="meant.includes(keyOf(other))"
              @change="mean(keyOf(other), ($event.target as HTMLInputElement).checked)"
            />
            It is meant</label
          >
        </p>
      </div>
      <span v-else />
    </template>
    <template #oscAddress="{ field, fault }">
      <v-text-field
        v-if="draft.oscPort"
        :model-value="draft.oscAddress"
        :label="field.label"
        :placeholder="`/${offer?.id ?? 'its-name'}`"
        :error-messages="fault('oscAddress')"
        @update:model-value="put({ oscAddress: $event || undefined })"
      /><span v-else />
    </template>
    <template v-for="[name, usual] in numbers" :key="name" #[name]="{ field, fault }">
      <v-text-field
        v-if="draft.midiPort"
        type="number"
        :model-value="draft[name] ?? usual"
        :label="field.label"
        :title="field.help"
        :error-messages="fault(name)"
        @update:model-value="put({ [name]: Number($event) })"
      /><span v-else />
    </template>
    <template #parameters="{ fault }">
      <OfferedRows
        :model-value="parameters"
        :first="draft.universe ? first : null"
        :fault="fault"
        class="wide"
        @update:model-value="put({ parameters: $event })"
      />
    </template>
    <template #sharesWith="{ fault }"
      ><p class="wrong small wide">{{ fault('sharesWith') }}</p></template
    >
  </PartForm>
</template>
