<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import type { PixelsDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

/** A matrix of lamps, as it looks from the front. */
const props = defineProps<{ device: PixelsDevice; locked: boolean }>()
defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const place = (i: number) => [i % props.device.columns, Math.floor(i / props.device.columns)]
const colour = (lamp: number) => `#${lamp.toString(16).padStart(6, '0')}`
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => $emit('play', control, values)">
    <template #mark><StateMark :state="device.alive ? 'alive' : 'lost'" words /></template>
    <svg
      :viewBox="`0 0 ${device.columns} ${device.lamps.length / device.columns}`"
      role="img"
      :aria-label="`${device.lamps.filter((one) => one > 0).length} of ${device.lamps.length} lamps are lit`"
    >
      <circle
        v-for="(lamp, i) in device.lamps"
        :key="i"
        :cx="(place(i)[0] ?? 0) + 0.5"
        :cy="(place(i)[1] ?? 0) + 0.5"
        r="0.4"
        :data-place="place(i).join('/')"
        :data-colour="colour(lamp)"
        :fill="lamp > 0 ? colour(lamp) : undefined"
      />
    </svg>
  </DevicePanel>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  background: var(--sunk);
}
circle {
  stroke: var(--rule);
  stroke-width: 0.03;
}
circle:not([fill]) {
  fill: none;
}
</style>
