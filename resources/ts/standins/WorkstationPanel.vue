<script setup lang="ts">
import { ref } from 'vue'
import StateMark from '@/components/StateMark.vue'
import type { WorkstationDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: WorkstationDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const tempo = ref('')
function setTempo(): void {
  emit('play', 'tempo', { tempo: Number(tempo.value) })
  tempo.value = ''
}
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #mark><StateMark :state="device.open ? 'alive' : 'lost'" words /></template>
    <template #where>MIDI, {{ device.address }}</template>
    <p class="time figures">
      {{ device.timeCode
      }}<span class="small quiet"
        >beat <strong>{{ device.beat }}</strong> at {{ device.tempo }} a minute</span
      >
    </p>
    <div class="row">
      <button
        type="button"
        :disabled="locked"
        :aria-pressed="device.playing"
        @click="emit('play', device.playing ? 'stop' : 'play', {})"
      >
        {{ device.playing ? 'Stop' : 'Play the song' }}
      </button>
      <button type="button" :disabled="locked" @click="emit('play', 'locate', { seconds: 0 })">To the beginning</button>
      <button type="button" :disabled="locked" @click="emit('play', 'locate', { seconds: 60 })">To one minute</button>
    </div>
    <form class="row" @submit.prevent="setTempo">
      <label
        >Tempo
        <input
          v-model="tempo"
          type="number"
          min="20"
          max="300"
          step="any"
          :placeholder="String(device.tempo)"
          :disabled="locked"
          class="figures"
      /></label>
      <button type="submit" :disabled="locked || tempo === ''">Set</button>
    </form>
    <label class="fader"
      ><span class="small">Controller 7, channel 1</span
      ><input
        type="range"
        min="0"
        max="127"
        :value="device.fader"
        :disabled="locked"
        aria-label="Sound workstation fader"
        @input="emit('play', 'fader', { level: Number(($event.target as HTMLInputElement).value) })"
      /><span class="figures">{{ device.fader }}</span></label
    >
    <p class="quiet small">
      Sends clock, time code in quarter frames, and notes 36 to 39 on the beats (channel 10).
      <span class="figures">{{ device.sent }}</span> messages sent.
    </p>
  </DevicePanel>
</template>

<style scoped>
.time {
  font-size: 26px;
  font-weight: 600;
}
.time span {
  margin-left: 16px;
  font-weight: 400;
}
.fader {
  display: grid;
  grid-template-columns: auto 1fr 40px;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
.row input {
  width: 90px;
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font-size: 15px;
  height: 36px;
  padding: 0 8px;
}
</style>
