<script setup lang="ts">
import { useShow } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import type { PresentationDevice } from '@/live/standIns'
import { noteName } from '@/components/notes'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: PresentationDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const show = useShow()
const note = (number: number) => `note ${number} (${noteName(number, show.document?.middleC ?? 4)})`
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #mark><StateMark :state="device.open ? 'alive' : 'lost'" words /></template>
    <template #where>MIDI on the {{ device.address }}</template>
    <p class="screen">
      {{ device.slides[device.slide - 1]
      }}<span class="small figures"
        >slide {{ device.slide }} of {{ device.slides.length }}: {{ note(device.note) }}, channel 1, velocity 100</span
      >
    </p>
    <div class="row">
      <button type="button" :disabled="locked || device.slide === 1" @click="emit('play', 'slide', { slide: device.slide - 1 })">
        Slide back
      </button>
      <button
        type="button"
        :disabled="locked || device.slide === device.slides.length"
        @click="emit('play', 'slide', { slide: device.slide + 1 })"
      >
        Next slide
      </button>
      <button
        type="button"
        :disabled="locked"
        :aria-pressed="device.repeats"
        title="A bad habit: the note comes again for each thing that appears on a slide"
        @click="emit('play', 'repeats', { on: !device.repeats })"
      >
        Repeats its note
      </button>
    </div>
    <p class="quiet small figures count">{{ device.sent }} notes sent</p>
  </DevicePanel>
</template>

<style scoped>
.screen {
  background: #efe8d8;
  color: #10262b;
  padding: 28px 16px 10px;
  text-align: center;
  font-size: 20px;
  font-weight: 700;
}
.screen span {
  display: block;
  font-weight: 400;
  margin-top: 18px;
}
.count {
  margin-top: 8px;
}
</style>
