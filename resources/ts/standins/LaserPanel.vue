<script setup lang="ts">
import { computed } from 'vue'
import StateMark from '@/components/StateMark.vue'
import type { LaserDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

const props = defineProps<{ device: LaserDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const level = (name: string) => props.device.levels[name] ?? 0
const colour = computed(() => `rgb(${level('red')} ${level('green')} ${level('blue')})`)
const corners: Record<string, number> = { circle: 48, line: 2, triangle: 3, leaf: 48 }
/** A closed line of light, with a wave along it. */
const figure = computed(() => {
  const count = corners[props.device.shape] ?? 48
  const radius = 8 + (level('size') / 255) * 60
  const turn = (level('rotation') / 255) * 2 * Math.PI
  const wave = (level('wave') / 255) * 0.35
  const points = Array.from({ length: count }, (_, i) => {
    const angle = (i / count) * 2 * Math.PI
    const bent =
      (props.device.shape === 'leaf' ? Math.abs(Math.cos(angle * 1.5)) * 0.7 + 0.3 : 1) * (1 + wave * Math.sin(angle * 8))
    const x = 160 + (level('across') - 128) / 2 + Math.cos(angle + turn) * radius * bent
    const y = 80 - (level('up') - 128) / 4 + Math.sin(angle + turn) * radius * bent
    return `${x.toFixed(1)} ${y.toFixed(1)}`
  })
  return `M${points.join('L')}Z`
})
const dashes = computed(() => (level('points') > 127 ? '2 8' : undefined))
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #mark><StateMark :state="device.alive ? 'alive' : 'lost'" words /></template>
    <template #where>{{ device.protocol }} from slot {{ device.first }}, at {{ device.address }}</template>
    <svg
      class="mist"
      viewBox="0 0 320 160"
      role="img"
      :aria-label="device.lit ? `A ${device.shape} on the mist` : 'Dark'"
      :data-lit="device.lit"
    >
      <path v-if="device.lit" :d="figure" :stroke="colour" :stroke-dasharray="dashes" class="beam" />
      <text v-else x="160" y="84" text-anchor="middle">
        {{ device.alive ? 'dark: enable is below 128' : 'dark: nothing heard for 2.5 s' }}
      </text>
    </svg>
    <ol class="profile small figures">
      <li v-for="(value, name, i) in device.levels" :key="name">
        <span class="quiet">{{ device.first + Number(i) }} {{ name }}</span> {{ value }}
      </li>
    </ol>
  </DevicePanel>
</template>

<style scoped>
.mist {
  width: 100%;
  background: #061013;
  display: block;
  max-height: 200px;
}
.beam {
  fill: none;
  stroke-width: 3;
  stroke-linejoin: round;
}
text {
  fill: #a9bab4;
  font-size: 13px;
}
.profile {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 2px 12px;
  margin-top: 8px;
}
</style>
