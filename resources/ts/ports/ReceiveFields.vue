<script setup lang="ts">
import { computed } from 'vue'
import AddressField from './AddressField.vue'
import ControllerRest from './ControllerRest.vue'
import { carriesLevels, hasDevice, type PortDraft } from './draft'
import UniverseLinks from './UniverseLinks.vue'

defineProps<{ fault: (path: string) => string | undefined }>()
const draft = defineModel<PortDraft>({ required: true })
const levels = computed(() => carriesLevels(draft.value.protocol))
const networked = computed(() => !hasDevice(draft.value))
const portLabel = computed(() => ({ tcp: 'Our receive port (TCP)', session: 'Our control port (UDP)' } as Record<string, string>)[draft.value.link.kind] ?? 'Our receive port (UDP)')
</script>

<template>
  <fieldset class="bare">
    <legend>Receive</legend>
    <div class="fields">
      <AddressField v-if="networked" v-model="draft.receive.address" label="Our address or adapter" offer="ours" :error-messages="fault('receive/address')" />
      <v-text-field v-if="networked" v-model.number="draft.receive.port" type="number" :label="portLabel" :error-messages="fault('receive/port')" />
      <v-switch v-model="draft.receive.enabled" label="Receiving on" />
      <v-text-field v-if="networked" v-model="draft.allow" label="Listen only to these addresses" placeholder="all; or like 192.168.1.20, 10.0.0.0/8" persistent-placeholder class="wide" :error-messages="fault('allow') ?? fault('allow/0')" />
      <AddressField v-if="draft.protocol === 'art-net'" v-model="draft.receive.poll" label="Ask who is there at these addresses (polls)" offer="broadcast" many :error-messages="fault('receive/poll') ?? fault('receive/poll/0')" />
      <v-switch v-if="draft.protocol === 'sacn'" v-model="draft.receive.multicast" label="Multicast" />
      <v-text-field v-else-if="levels" v-model.number="draft.receive.priority" type="number" label="Priority of its sources, 0 to 200" class="wide" :error-messages="fault('receive/priority')" />
      <v-text-field v-if="draft.protocol === 'art-net'" v-model="draft.receive.priorities" label="Priority of single senders" placeholder="none; or like 192.168.1.20 150, 192.168.1.21 90" persistent-placeholder class="wide" :error-messages="fault('receive/priorities') ?? fault('receive/priorities/0/priority') ?? fault('receive/priorities/0/from')" />
      <v-switch v-if="levels" v-model="draft.receive.lastResort" label="Last resort: leads only when every other source is gone" class="wide" />
      <ControllerRest v-if="draft.protocol === 'controller'" v-model="draft" :fault="fault" />
      <UniverseLinks v-if="levels" v-model="draft.receive.feeds" :protocol="draft.protocol" label="Universes it feeds" :number-fault="(i) => fault(`receive/feeds/${i}/number`)" />
    </div>
  </fieldset>
</template>
