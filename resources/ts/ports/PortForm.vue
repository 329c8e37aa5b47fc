<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { Refused, type Fault } from '@/api/client'
import { useBase } from '@/api/base'
import { useShow, type Port } from '@/api/show'
import { protocols } from '@/components/words'
import { draftOf, hasDevice, kindsOf, lookDraft, portOf, usualPorts, type Look } from './draft'
import ReceiveFields from './ReceiveFields.vue'
import SendFields from './SendFields.vue'

const props = defineProps<{ port: Port | null, look?: Look }>()
const emit = defineEmits<{ done: [id: string], cancel: [] }>()
const show = useShow()
const { save } = useBase()
const broadcasts = (show.data?.adapters ?? []).filter((one) => !one.address.startsWith('127.')).map((one) => one.broadcast)
const draft = ref(props.look ? lookDraft(props.look, broadcasts) : draftOf(props.port))
const faults = ref<Fault[]>([])
const failed = ref('')
const busy = ref(false)

watch(() => draft.value.protocol, (protocol) => {
  draft.value.receive.port = usualPorts[protocol].receive
  draft.value.send.port = usualPorts[protocol].send
  draft.value.link.kind = kindsOf[protocol][0]?.value ?? 'udp'
  if (protocol === 'controller') draft.value.sends = false
})
const kinds = computed(() => kindsOf[draft.value.protocol])
const device = computed(() => hasDevice(draft.value))
/** What the server found wrong with a field of this port. */
const fault = (end: string) => {
  const found = faults.value.find((one) => one.path.replace(/^\/ports\/\d+\//, '') === end)
  return found ? `${found.problem}. ${found.allowed}` : undefined
}
const others = computed(() => (faults.value.length > 0 ? faults.value.map((one) => `${one.path.replace(/^\/ports\/\d+\/?/, '') || 'port'}: ${one.problem}. ${one.allowed}`) : failed.value ? [failed.value] : []))

async function store(): Promise<void> {
  busy.value = true
  faults.value = []
  failed.value = ''
  try {
    const part = portOf(draft.value)
    if (props.port) {
      const { id } = props.port
      await save((base) => show.replace('ports', id, part, base))
      emit('done', id)
    } else emit('done', (await show.add('ports', part)).id ?? '')
  } catch (error) {
    failed.value = (error as Error).message
    if (error instanceof Refused) faults.value = error.faults
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="panel" aria-label="Port" @submit.prevent="store">
    <h2>{{ port ? `Change ${port.name}` : 'New port' }}</h2>
    <fieldset class="bare fields">
      <v-text-field v-model="draft.name" label="Name" class="wide" :error-messages="fault('name')" autofocus />
      <v-select v-model="draft.protocol" :items="protocols" label="Protocol" :disabled="port !== null" :class="{ wide: kinds.length === 1 }" />
      <v-select v-if="kinds.length > 1" v-model="draft.link.kind" :items="kinds" label="Over" />
      <v-text-field v-if="device" v-model="draft.link.device" :label="device" class="wide" :error-messages="fault('link/device')" />
      <v-select v-if="draft.link.kind === 'tcp'" v-model="draft.link.framing" :items="[{ value: 'length', title: 'Four bytes of length (OSC 1.0)' }, { value: 'slip', title: 'SLIP (OSC 1.1)' }]" label="Packets are told apart by" class="wide" />
      <v-switch v-model="draft.enabled" label="Enabled" />
      <v-switch v-model="draft.receives" label="Receives" />
      <v-switch v-if="draft.protocol !== 'controller'" v-model="draft.sends" label="Sends" />
    </fieldset>
    <ReceiveFields v-if="draft.receives" v-model="draft" :fault="fault" />
    <SendFields v-if="draft.sends" v-model="draft" :fault="fault" />
    <div v-if="others.length" class="wrong" role="alert"><p v-for="line in others" :key="line">{{ line }}</p></div>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary" :loading="busy">{{ port ? 'Save' : 'Add the port' }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
    </div>
  </form>
</template>

<style scoped>
form h2 { margin-bottom: 12px; }
</style>
