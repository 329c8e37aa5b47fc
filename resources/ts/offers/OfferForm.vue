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
    <template #universe="{ field, fault }">
      <v-select
        :model-value="draft.universe"
        :items="show.universes"
        item-title="name"
        item-value="id"
        clearable
        :label="field.label"
        :title="field.help"
        :error-messages="fault('universe')"
        @update:model-value="put({ universe: $event ?? undefined })"
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
    <template #oscPort="{ field, fault }">
      <v-select
        :model-value="draft.oscPort"
        :items="ports('osc')"
        item-title="name"
        item-value="id"
        clearable
        :label="field.label"
        :error-messages="fault('oscPort')"
        @update:model-value="put({ oscPort: $event ?? undefined })"
      />
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
    <template #midiPort="{ field, fault }">
      <v-select
        :model-value="draft.midiPort"
        :items="ports('midi')"
        item-title="name"
        item-value="id"
        clearable
        :label="field.label"
        :error-messages="fault('midiPort')"
        @update:model-value="put({ midiPort: $event ?? undefined })"
      />
    </template>
    <template #channel="{ field, fault }">
      <v-text-field
        v-if="draft.midiPort"
        type="number"
        :model-value="draft.channel ?? 1"
        :label="field.label"
        :error-messages="fault('channel')"
        @update:model-value="put({ channel: Number($event) })"
      /><span v-else />
    </template>
    <template #number="{ field, fault }">
      <v-text-field
        v-if="draft.midiPort"
        type="number"
        :model-value="draft.number ?? 0"
        :label="field.label"
        :title="field.help"
        :error-messages="fault('number')"
        @update:model-value="put({ number: Number($event) })"
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
      ><p class="wrong small">{{ fault('sharesWith') }}</p></template
    >
  </PartForm>
</template>
