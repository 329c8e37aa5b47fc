<script setup lang="ts">
import type { TabletDevice } from '@/live/standIns'

defineProps<{ device: TabletDevice, locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
</script>

<template>
  <article class="panel" :aria-label="device.name">
    <header><h2>{{ device.name }}</h2><span class="quiet figures">OSC: hears at {{ device.address }}, sends to {{ device.to }}</span></header>
    <label class="fader">
      <span>{{ device.osc }}</span><span class="figures value">{{ device.fader.toFixed(3) }}</span>
      <input type="range" min="0" max="1" step="0.005" :value="device.fader" :disabled="locked" aria-label="Guide's tablet fader" @input="emit('play', 'fader', { value: Number(($event.target as HTMLInputElement).value) })">
    </label>
    <p class="quiet">{{ device.sent }} sent, {{ device.received }} heard<template v-if="device.heard">; last heard <span class="figures">{{ device.heard }}</span></template></p>
    <div class="row">
      <button type="button" :disabled="locked" :aria-pressed="!device.cable" @click="emit('play', 'cable', { in: !device.cable })">{{ device.cable ? 'Leave the network' : 'Off the network: come back' }}</button>
      <button type="button" :disabled="locked" @click="emit('play', 'broken', {})">Send a broken packet</button>
    </div>
  </article>
</template>

<style scoped>
header span { font-size: 13px; }
.fader { display: grid; grid-template-columns: 1fr auto; gap: 4px; margin: 12px 0; }
.fader input { grid-column: 1 / -1; height: 44px; accent-color: rgb(var(--v-theme-primary)); }
.value { font-size: 20px; font-weight: 600; }
.row { display: flex; gap: 8px; margin-top: 8px; flex-wrap: wrap; }
button { background: none; border: 1px solid var(--rule); color: inherit; font: inherit; font-weight: 600; min-height: 36px; padding: 0 12px; cursor: pointer; }
button[aria-pressed='true'] { color: var(--wrong); border-color: var(--wrong); }
button:disabled { opacity: 0.5; cursor: default; }
</style>
