<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import type { CueDeskDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: CueDeskDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #mark><StateMark :state="device.open ? 'alive' : 'lost'" words /></template>
    <template #where
      >OSC at {{ device.address }}; MIDI Show Control as device {{ device.device }} on the {{ device.midi }}</template
    >
    <ol class="cues">
      <li v-for="(cue, i) in device.cues" :key="cue.number" :class="{ now: i === device.at }" :data-cue="cue.number">
        <span class="figures">{{ cue.number }}</span> {{ cue.name }}
        <strong v-if="i === device.at" class="small">{{ device.running ? 'running' : 'stopped' }}</strong>
      </li>
    </ol>
    <div class="row">
      <button type="button" :disabled="locked" @click="emit('play', 'go', {})">Go</button>
      <button type="button" :disabled="locked" @click="emit('play', 'back', {})">Back</button>
      <button type="button" :disabled="locked" @click="emit('play', 'stop', {})">Stop</button>
    </div>
    <p class="quiet small">
      {{ device.taken }} commands taken<template v-if="device.heard"
        >; last heard <span class="figures">{{ device.heard }}</span></template
      >. OSC: /desk/go, /desk/back, /desk/stop, /desk/cue with a number.
    </p>
  </DevicePanel>
</template>

<style scoped>
.cues {
  list-style: none;
  padding: 0;
}
.cues li {
  padding: 5px 8px;
  border-bottom: 1px solid var(--rule);
  display: grid;
  grid-template-columns: 48px 1fr auto;
}
.cues .now {
  background: rgb(var(--v-theme-surface-variant));
}
</style>
