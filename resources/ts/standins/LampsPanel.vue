<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import { spellLevel } from '@/components/levels'
import type { LampsDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

defineProps<{ device: LampsDevice; locked: boolean }>()
defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
</script>

<template>
  <DevicePanel :device="device" :locked="locked">
    <template #mark><StateMark :state="device.alive ? 'alive' : 'lost'" words /></template>
    <ol class="lamps">
      <li v-for="(level, i) in device.lamps" :key="i" :data-lamp="i + 1" :data-level="level">
        <svg viewBox="0 0 40 52" aria-hidden="true">
          <path d="M14 36h12v8h-12z" class="base" />
          <circle cx="20" cy="20" r="16" class="glass" />
          <circle cx="20" cy="20" r="16" class="light" :style="{ opacity: level / 255 }" />
        </svg>
        <span class="figures">{{ spellLevel(level) }}</span><span class="quiet">{{ i + 1 }}</span>
      </li>
    </ol>
  </DevicePanel>
</template>

<style scoped>
.lamps {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(12, 1fr);
  gap: 4px;
}
li {
  display: grid;
  justify-items: center;
  font-size: 13px;
}
svg {
  width: 100%;
  max-width: 40px;
}
.base {
  fill: var(--rule);
}
.glass {
  fill: var(--sunk);
  stroke: var(--rule);
  stroke-width: 2;
}
.light {
  fill: #ffe3a3;
}
</style>
