<script setup lang="ts">
import { computed } from 'vue'
import SpanRows from '@/components/SpanRows.vue'
import AddressField from './AddressField.vue'
import { carriesLevels, hasDevice, type PortDraft } from './draft'
import UniverseLinks from './UniverseLinks.vue'

defineProps<{ fault: (path: string) => string | undefined }>()
const draft = defineModel<PortDraft>({ required: true })
const levels = computed(() => carriesLevels(draft.value.protocol))
const sacn = computed(() => draft.value.protocol === 'sacn')
const osc = computed(() => draft.value.protocol === 'osc')
const networked = computed(() => !hasDevice(draft.value))
const toLabel = computed(() => ({ tcp: 'Connect to; empty: whoever connects to us', session: 'Invite; empty: wait to be invited' } as Record<string, string>)[draft.value.link.kind] ?? 'To, one or more addresses')
const portLabel = computed(() => ({ tcp: 'Its receive port (TCP)', session: 'Its control port' } as Record<string, string>)[draft.value.link.kind] ?? 'Its receive port (UDP)')
</script>

<template>
  <fieldset class="bare">
    <legend>Send</legend>
    <div class="fields">
      <AddressField v-if="networked" v-model="draft.send.to" :label="toLabel" offer="broadcast" many :disabled="sacn && draft.send.multicast" :error-messages="fault('send/to') ?? fault('send/to/0')" />
      <v-text-field v-if="networked" v-model.number="draft.send.port" type="number" :label="portLabel" :error-messages="fault('send/port')" />
      <v-switch v-model="draft.send.enabled" label="Sending on" />
      <AddressField v-if="networked && draft.link.kind === 'udp'" v-model="draft.send.address" label="From our address" offer="ours" :error-messages="fault('send/address')" />
      <v-switch v-if="osc && draft.link.kind === 'udp'" v-model="draft.send.replies" label="Also to whoever spoke to us last" class="wide" />
      <template v-if="osc">
        <v-text-field v-model="draft.send.heartbeat" label="Heartbeat address" placeholder="none" persistent-placeholder :error-messages="fault('send/heartbeat')" />
        <v-text-field v-model.number="draft.send.heartbeatSeconds" type="number" step="any" label="Seconds between, 0.1 to 60" :error-messages="fault('send/heartbeatSeconds')" />
      </template>
      <template v-if="levels">
        <v-text-field v-model.number="draft.send.perSecond" type="number" label="Most a second, 1 to 44" :error-messages="fault('send/perSecond')" />
        <v-text-field v-model="draft.send.lines" type="number" label="Room for universes" placeholder="all" persistent-placeholder :error-messages="fault('send/lines')" />
      </template>
      <v-switch v-if="draft.protocol === 'art-net'" v-model="draft.send.sync" label="A synchronisation packet after the frames of one moment" class="wide" />
      <template v-if="sacn">
        <v-switch v-model="draft.send.multicast" label="Multicast" />
        <v-switch v-model="draft.send.announce" label="Tell our universes (discovery)" />
        <v-text-field v-model.number="draft.send.priority" type="number" label="Our priority, 0 to 200" :error-messages="fault('send/priority')" />
        <v-text-field v-model.number="draft.send.syncUniverse" type="number" label="Sync universe, 0: none" :error-messages="fault('send/syncUniverse')" />
        <v-text-field v-model="draft.send.sourceName" label="Our source name" class="wide" :error-messages="fault('send/sourceName')" />
        <SpanRows v-model="draft.send.slotPriorities as never" title="Priorities of single slots" value="priority" value-label="Priority" :most="200" add="Add a run of slots" />
      </template>
      <UniverseLinks v-if="levels" v-model="draft.send.carries" :protocol="draft.protocol" label="Universes it carries" :ranked="draft.send.lines !== '' && draft.send.lines !== null" :number-fault="(i) => fault(`send/carries/${i}/number`)" />
    </div>
  </fieldset>
</template>
