<script setup lang="ts">
import { computed } from 'vue'
import type { MediaDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

const props = defineProps<{ device: MediaDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
type Layer = MediaDevice['layers'][number]
const inks = ['#7fd3ab', '#f2b65a', '#8fc4e8']
/** The clips: a leaf, rain, rings, stripes. */
const clip = (layer: Layer) => Math.min(3, Math.floor(layer.clip * 4))
function place(layer: Layer): string {
  const at = `${(layer.across * 320).toFixed(1)} ${(150 - layer.up * 120).toFixed(1)}`
  return `translate(${at}) rotate(${(layer.effect * 180).toFixed(1)}) scale(${(0.2 + layer.size * 1.6).toFixed(3)})`
}
const words = computed(() => {
  const layers = props.device.layers.map((layer, i) => `layer ${i + 1} at ${Math.round(layer.opacity * 100)} per cent`)
  return `The glass roof: ${layers.join(', ')}`
})
const change = (layer: number, event: Event) =>
  emit('play', 'layer', { layer, parameter: 'opacity', value: Number((event.target as HTMLInputElement).value) })
const name = (number: number) => `${props.device.name} layer ${number} opacity`
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #where
      >Art-Net port-address {{ device.portAddress }} and OSC {{ device.osc }} at {{ device.address }}, feedback to
      {{ device.feedback }}</template
    >
    <svg
      class="roof"
      viewBox="0 0 320 170"
      role="img"
      :aria-label="words"
    >
      <defs>
        <clipPath id="roof"><path d="M0 170L40 60L160 10L280 60L320 170Z" /></clipPath>
      </defs>
      <path d="M0 170L40 60L160 10L280 60L320 170Z" class="glass" />
      <g clip-path="url(#roof)">
        <g
          v-for="(layer, i) in device.layers"
          :key="i"
          :transform="place(layer)"
          :style="{ opacity: layer.opacity, color: inks[i] }"
          :data-layer="i + 1"
          :data-opacity="layer.opacity"
        >
          <path v-if="clip(layer) === 0" d="M0 -40C36 -20 36 20 0 40C-36 20 -36 -20 0 -40ZM0 -40V40" class="ink" />
          <path
            v-else-if="clip(layer) === 1"
            d="M-40 -30v24M-20 -10v24M0 -30v24M20 -10v24M40 -30v24M-30 14v24M-10 20v24M10 14v24M30 20v24"
            class="ink"
          />
          <g v-else-if="clip(layer) === 2" class="ink">
            <circle r="12" />
            <circle r="26" />
            <circle r="40" />
          </g>
          <path v-else d="M-60 -40H60M-60 -14H60M-60 14H60M-60 40H60" class="ink" />
        </g>
      </g>
      <path d="M40 60L280 60M160 10V170M100 35L80 170M220 35L240 170M20 115H300" class="frame" />
    </svg>
    <div class="layers small">
      <label v-for="(layer, i) in device.layers" :key="i"
        ><span>Layer {{ i + 1 }}, clip {{ clip(layer) + 1 }}</span
        ><input
          type="range"
          min="0"
          max="1"
          step="0.01"
          :value="layer.opacity"
          :disabled="locked"
          :aria-label="name(i + 1)"
          @input="change(i + 1, $event)"
        /><span class="figures">{{ Math.round(layer.opacity * 100) }} %</span></label
      >
    </div>
    <p class="quiet small">
      {{ device.packets }} frames heard<template v-if="device.heard"
        >; last message <span class="figures">{{ device.heard }}</span></template
      >
    </p>
  </DevicePanel>
</template>

<style scoped>
.roof {
  width: 100%;
  background: var(--sunk);
  display: block;
  max-height: 200px;
}
.glass {
  fill: #0d2226;
}
.frame {
  fill: none;
  stroke: #3c5f66;
  stroke-width: 1.5;
}
.ink {
  fill: none;
  stroke: currentColor;
  stroke-width: 5;
}
.layers {
  display: grid;
  gap: 4px;
  margin: 8px 0;
}
.layers label {
  display: grid;
  grid-template-columns: 110px 1fr 48px;
  gap: 8px;
  align-items: center;
}
</style>
