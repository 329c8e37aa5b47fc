<script setup lang="ts">
import { computed, type Component } from 'vue'
import { useSession } from '@/api/session'
import { useStandIns, type Device, type LampsDevice } from '@/live/standIns'
import CueDeskPanel from './CueDeskPanel.vue'
import DeskPanel from './DeskPanel.vue'
import LampsPanel from './LampsPanel.vue'
import LaserPanel from './LaserPanel.vue'
import LecternPanel from './LecternPanel.vue'
import MediaPanel from './MediaPanel.vue'
import PixelsPanel from './PixelsPanel.vue'
import SlidesPanel from './SlidesPanel.vue'
import TabletPanel from './TabletPanel.vue'
import WorkstationPanel from './WorkstationPanel.vue'

const standIns = useStandIns()
const session = useSession()
standIns.start()
const racks = computed(() => standIns.devices.filter((one): one is LampsDevice => one.kind === 'lamps'))
const others = computed(() => standIns.devices.filter((one) => one.kind !== 'lamps'))
const panels: Record<Device['kind'], Component> = {
  desk: DeskPanel,
  lamps: LampsPanel,
  pixels: PixelsPanel,
  tablet: TabletPanel,
  media: MediaPanel,
  laser: LaserPanel,
  presentation: SlidesPanel,
  workstation: WorkstationPanel,
  lectern: LecternPanel,
  'cue-desk': CueDeskPanel,
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Stand-ins</h1>
      <span class="quiet">Simulated devices that send and hear real packets, each with the bad habits of its kind.</span
      ><span class="spring" />
      <span v-if="standIns.state === 'lost'" class="wrong" role="status"
        >The stand-ins do not answer: they come back by themselves.</span
      >
      <span v-if="standIns.said" class="wrong" role="alert">{{ standIns.said }}</span>
    </div>
    <p v-if="!standIns.there" class="empty">
      No stand-ins run beside this installation. They come with the demo: start it with <code>bin/demo</code>.
    </p>
    <div v-if="racks.length" class="racks">
      <LampsPanel v-for="device in racks" :key="device.id" :device="device" :locked="!session.mayOperate" />
    </div>
    <div class="panels">
      <component
        :is="panels[device.kind]"
        v-for="device in others"
        :key="device.id"
        class="device"
        :device="device"
        :locked="!session.mayOperate"
        @play="(control: string, values: Record<string, unknown>) => standIns.play(device.id, control, values)"
      />
    </div>
  </div>
</template>

<style scoped>
/* What is raised and the lamps that follow are in sight together. */
.racks {
  position: sticky;
  top: -20px;
  z-index: 4;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(440px, 100%), 1fr));
  gap: 0 16px;
  margin: 0 -8px 12px;
  padding: 8px;
  background: rgb(var(--v-theme-background));
  border-bottom: 1px solid var(--rule);
}
.racks :deep(.panel) {
  padding: 8px 12px;
}
.racks :deep(header) {
  margin-bottom: 2px;
}
.racks :deep(svg) {
  max-width: 28px;
}
.panels {
  columns: 440px;
  column-gap: 16px;
}
.device {
  break-inside: avoid;
  margin-bottom: 16px;
}
@media (max-width: 900px) {
  .panels {
    columns: auto;
  }
  .racks {
    top: -16px;
  }
  .racks :deep(.lamps svg) {
    max-width: 18px;
  }
}
</style>
