<script setup lang="ts">
import type { TabletDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: TabletDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #where>OSC: hears at {{ device.address }}, sends to {{ device.to }}</template>
    <label class="fader">
      <span>{{ device.osc }}</span><span class="figures value">{{ device.fader.toFixed(3) }}</span>
      <input
        type="range"
        min="0"
        max="1"
        step="0.005"
        :value="device.fader"
        :disabled="locked"
        aria-label="Guide's tablet fader"
        @input="emit('play', 'fader', { value: Number(($event.target as HTMLInputElement).value) })"
      />
    </label>
    <p class="quiet small">
      {{ device.sent }} sent, {{ device.received }} heard<template v-if="device.heard"
        >; last heard <span class="figures">{{ device.heard }}</span></template
      >
    </p>
    <div class="row">
      <button
        type="button"
        :disabled="locked"
        class="pulled"
        :aria-pressed="!device.cable"
        @click="emit('play', 'cable', { in: !device.cable })"
      >
        {{ device.cable ? 'Leave the network' : 'Off the network: come back' }}
      </button>
      <button type="button" :disabled="locked" @click="emit('play', 'broken', {})">Send a broken packet</button>
    </div>
  </DevicePanel>
</template>

<style scoped>
.fader {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px;
  margin: 12px 0;
}
.fader input {
  grid-column: 1 / -1;
  height: 44px;
}
.value {
  font-size: 20px;
  font-weight: 600;
}
</style>
