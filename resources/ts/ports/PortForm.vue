<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { Refused, type Fault } from '@/api/client'
import { useShow, type Port } from '@/api/show'
import { protocols } from '@/components/words'
import { draftOf, portOf, usualPorts } from './draft'
import UniverseLinks from './UniverseLinks.vue'

const props = defineProps<{ port: Port | null }>()
const emit = defineEmits<{ done: [id: string], cancel: [] }>()
const show = useShow()
const draft = ref(draftOf(props.port))
const faults = ref<Fault[]>([])
const failed = ref('')
const busy = ref(false)

watch(() => draft.value.protocol, (protocol) => {
  draft.value.receive.port = usualPorts[protocol].receive
  draft.value.send.port = usualPorts[protocol].send
})
const addresses = computed(() => [{ title: '0.0.0.0: every adapter', value: '0.0.0.0' }, ...(show.data?.adapters ?? []).map((one) => ({ title: `${one.address} (${one.name})`, value: one.address }))])
// The address that a stored port has is offered too, even if no adapter has it now.
const ours = (now: string) => (addresses.value.some((one) => one.value === now) ? addresses.value : [...addresses.value, { title: now, value: now }])
const levels = computed(() => draft.value.protocol !== 'osc')
const sacn = computed(() => draft.value.protocol === 'sacn')
/** What the server found wrong with a field of this port. */
const fault = (end: string) => {
  const found = faults.value.find((one) => one.path.replace(/^\/ports\/\d+\//, '') === end)
  return found ? `${found.problem}. ${found.allowed}` : undefined
}
const others = computed(() => (faults.value.length > 0 ? faults.value.map((one) => `${one.path.replace(/^\/ports\/\d+\/?/, '') || 'port'}: ${one.problem}. ${one.allowed}`) : failed.value ? [failed.value] : []))

async function save(): Promise<void> {
  busy.value = true
  faults.value = []
  failed.value = ''
  try {
    const part = portOf(draft.value)
    if (props.port) {
      await show.replace('ports', props.port.id, part)
      emit('done', props.port.id)
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
  <form class="panel" aria-label="Port" @submit.prevent="save">
    <h2>{{ port ? `Change ${port.name}` : 'New port' }}</h2>
    <fieldset class="bare fields">
      <v-text-field v-model="draft.name" label="Name" class="wide" :error-messages="fault('name')" autofocus />
      <v-select v-model="draft.protocol" :items="protocols" label="Protocol" :disabled="port !== null" />
      <v-switch v-model="draft.enabled" label="Enabled" />
      <v-switch v-model="draft.receives" label="Receives" />
      <v-switch v-model="draft.sends" label="Sends" />
    </fieldset>
    <fieldset v-if="draft.receives" class="bare">
      <legend>Receive</legend>
      <div class="fields">
        <v-select v-model="draft.receive.address" :items="ours(draft.receive.address)" label="Our address" />
        <v-text-field v-model.number="draft.receive.port" type="number" label="Our receive port (UDP)" :error-messages="fault('receive/port')" />
        <v-switch v-model="draft.receive.enabled" label="Receiving on" />
        <v-switch v-if="sacn" v-model="draft.receive.multicast" label="Multicast" />
        <v-text-field v-else-if="levels" v-model.number="draft.receive.priority" type="number" label="Priority of its sources, 0 to 200" :error-messages="fault('receive/priority')" />
        <v-switch v-if="levels" v-model="draft.receive.lastResort" label="Last resort: leads only when every other source is gone" class="wide" />
        <UniverseLinks v-if="levels" v-model="draft.receive.feeds" :protocol="draft.protocol" label="Universes it feeds" :number-fault="(i) => fault(`receive/feeds/${i}/number`)" />
      </div>
    </fieldset>
    <fieldset v-if="draft.sends" class="bare">
      <legend>Send</legend>
      <div class="fields">
        <v-text-field v-model="draft.send.to" label="To, one or more addresses" :disabled="sacn && draft.send.multicast" :error-messages="fault('send/to') ?? fault('send/to/0')" />
        <v-text-field v-model.number="draft.send.port" type="number" label="Its receive port (UDP)" :error-messages="fault('send/port')" />
        <v-select v-model="draft.send.address" :items="ours(draft.send.address)" label="From our address" />
        <v-text-field v-if="levels" v-model.number="draft.send.perSecond" type="number" label="At most so many a second, 1 to 44" :error-messages="fault('send/perSecond')" />
        <v-switch v-model="draft.send.enabled" label="Sending on" />
        <v-switch v-if="sacn" v-model="draft.send.multicast" label="Multicast" />
        <v-text-field v-if="sacn" v-model.number="draft.send.priority" type="number" label="Our priority, 0 to 200" :error-messages="fault('send/priority')" />
        <v-text-field v-if="sacn" v-model="draft.send.sourceName" label="Our source name" :error-messages="fault('send/sourceName')" />
        <UniverseLinks v-if="levels" v-model="draft.send.carries" :protocol="draft.protocol" label="Universes it carries" :number-fault="(i) => fault(`send/carries/${i}/number`)" />
      </div>
    </fieldset>
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
