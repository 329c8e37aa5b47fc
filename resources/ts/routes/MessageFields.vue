<script setup lang="ts">
import { computed } from 'vue'
import { useShow, type Port } from '@/api/show'
import { noteName } from '@/components/notes'
import { addressOf, kindsFor, partsOf } from './messages'

/** The address of a message, in the terms of the port that it comes or goes by. */
const props = defineProps<{ port: Port | undefined }>()
const address = defineModel<string>('address', { required: true })
const emit = defineEmits<{ span: [low: number, high: number] }>()
const show = useShow()
const kinds = computed(() => kindsFor(props.port?.protocol))
const parts = computed(() => partsOf(props.port?.protocol, address.value))
const middleC = computed(() => show.document?.middleC ?? 4)
function change(fields: { word?: string; channel?: number; number?: number }): void {
  const kind = kinds.value.find((one) => one.value === (fields.word ?? parts.value?.kind.value)) ?? kinds.value[0]
  if (!kind) return
  address.value = addressOf(kind, fields.channel ?? parts.value?.channel ?? 1, fields.number ?? parts.value?.number ?? kind.from)
  if (fields.word) emit('span', kind.low, kind.high)
}
</script>

<template>
  <v-text-field
    v-if="kinds.length === 0 || !parts"
    v-model="address"
    :label="kinds.length ? 'Address of the message' : 'OSC address'"
    class="wide"
  />
  <template v-else>
    <v-select
      :model-value="parts.kind.value"
      :items="kinds"
      label="Kind of message"
      class="wide"
      @update:model-value="(word: string) => change({ word })"
    />
    <v-text-field
      v-if="parts.kind.channel"
      :model-value="parts.channel"
      type="number"
      label="Channel, 1 to 16"
      @update:model-value="change({ channel: Number($event) })"
    />
    <v-text-field
      v-if="parts.kind.numbered"
      :model-value="parts.number"
      type="number"
      :label="parts.kind.numbered"
      @update:model-value="change({ number: Number($event) })"
    />
    <p v-if="parts.kind.numbered?.startsWith('Note')" class="quiet wide small">
      Note {{ parts.number }} is {{ noteName(parts.number, middleC) }} here, where note 60 is C{{ middleC }}. The number is what
      both ends agree on.
    </p>
  </template>
</template>
