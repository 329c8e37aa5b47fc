<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import type { LecternDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: LecternDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const button = (number: number, down: boolean) => emit('play', 'button', { button: number, down })
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #mark><StateMark :state="device.open ? 'alive' : 'lost'" words /></template>
    <template #where>MIDI on the {{ device.address }}</template>
    <div class="eight">
      <button
        v-for="(lit, i) in device.lit"
        :key="i"
        type="button"
        class="key"
        :class="{ lit }"
        :disabled="locked"
        :aria-label="`Lectern button ${i + 1}${lit ? ', lit' : ''}`"
        @pointerdown="button(i + 1, true)"
        @pointerup="button(i + 1, false)"
        @keydown.space.prevent="button(i + 1, true)"
        @keyup.space="button(i + 1, false)"
      >
        {{ i + 1 }}
      </button>
    </div>
    <div class="eight">
      <label v-for="(level, i) in device.faders" :key="i" class="motor">
        <span class="figures">{{ level }}</span>
        <input
          type="range"
          min="0"
          max="127"
          :value="level"
          :disabled="locked"
          :aria-label="`Lectern fader ${i + 1}`"
          @pointerdown="emit('play', 'touch', { fader: i + 1 })"
          @pointerup="emit('play', 'touch', { fader: 0 })"
          @input="emit('play', 'fader', { fader: i + 1, level: Number(($event.target as HTMLInputElement).value) })"
        />
        <span class="quiet small">{{ device.touched === i + 1 ? 'held' : `CC ${i + 1}` }}</span>
      </label>
    </div>
    <div class="row">
      <span v-for="(turned, i) in device.turned" :key="i" class="encoder"
        ><button
          type="button"
          :disabled="locked"
          :aria-label="`Turn encoder ${i + 1} down`"
          @click="emit('play', 'turn', { encoder: i + 1, steps: -1 })"
        >
          −</button
        ><span class="figures small">CC {{ 16 + i }}: {{ turned > 0 ? '+' : '' }}{{ turned }}</span
        ><button
          type="button"
          :disabled="locked"
          :aria-label="`Turn encoder ${i + 1} up`"
          @click="emit('play', 'turn', { encoder: i + 1, steps: 1 })"
        >
          +
        </button></span
      >
    </div>
    <p class="quiet small">
      Faders have motors: {{ device.moves }} moves from outside. Encoders only say how far they are turned (two's complement).
      {{ device.sent }} messages sent.
    </p>
  </DevicePanel>
</template>

<style scoped>
.eight {
  display: grid;
  grid-template-columns: repeat(8, 1fr);
  gap: 6px;
  margin: 6px 0;
}
.key {
  padding: 0 !important;
}
.key.lit {
  box-shadow: inset 0 -5px 0 var(--held);
}
.motor {
  display: grid;
  justify-items: center;
  gap: 4px;
  font-size: 13px;
}
.motor input {
  writing-mode: vertical-lr;
  direction: rtl;
  height: 96px;
  width: 28px;
}
.encoder {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.encoder button {
  padding: 0 10px !important;
}
</style>
