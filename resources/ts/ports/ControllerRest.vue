<script setup lang="ts">
import { computed } from 'vue'
import { useLending } from '@/live/lending'
import type { PortDraft } from './draft'

/** Where the axes of a controller rest, and how far around that nothing happens. */
defineProps<{ fault: (path: string) => string | undefined }>()
const draft = defineModel<PortDraft>({ required: true })
const lending = useLending()
const axes = computed(() => lending.controllers.find((one) => one.name === draft.value.link.device)?.axes ?? [])
const take = () => { draft.value.receive.centres = axes.value.map((axis) => Math.round(axis * 1000) / 1000) }
</script>

<template>
  <v-text-field v-model.number="draft.receive.deadZone" type="number" step="any" label="Dead zone, 0 to 0.9 of the way" :error-messages="fault('receive/deadZone')" />
  <div class="wide small">
    <p>Axes rest at <span class="figures">{{ draft.receive.centres.length ? draft.receive.centres.join(', ') : '0' }}</span>.</p>
    <p v-if="axes.length === 0" class="quiet">To take the centres, lend this controller from the computer that it is plugged into, and open this form there.</p>
    <p v-else>Now they are at <span class="figures">{{ axes.map((axis) => axis.toFixed(3)).join(', ') }}</span>. <button type="button" class="small-button" @click="take">Let go of it, then take these as its centres</button></p>
  </div>
</template>
