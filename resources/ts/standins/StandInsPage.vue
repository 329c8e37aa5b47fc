<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useStandIns, type DeskDevice, type LampsDevice, type TabletDevice } from '@/live/standIns'
import DeskPanel from './DeskPanel.vue'
import LampsPanel from './LampsPanel.vue'
import TabletPanel from './TabletPanel.vue'

const standIns = useStandIns()
const session = useSession()
standIns.start()
const desks = computed(() => standIns.devices.filter((one): one is DeskDevice => one.kind === 'desk'))
const lamps = computed(() => standIns.devices.filter((one): one is LampsDevice => one.kind === 'lamps'))
const tablets = computed(() => standIns.devices.filter((one): one is TabletDevice => one.kind === 'tablet'))
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Stand-ins</h1>
      <span class="quiet">Simulated devices that send and hear real packets.</span><span class="spring" />
      <span v-if="standIns.state === 'lost'" class="wrong" role="status">The stand-ins do not answer: they come back by themselves.</span>
      <span v-if="standIns.said" class="wrong" role="alert">{{ standIns.said }}</span>
    </div>
    <p v-if="!standIns.there" class="empty">No stand-ins run beside this installation. They come with the demo: start it with <code>bin/demo</code>.</p>
    <div class="panels">
      <DeskPanel v-for="device in desks" :key="device.id" :device="device" :locked="!session.mayOperate" @play="(control, values) => standIns.play(device.id, control, values)" />
      <LampsPanel v-for="device in lamps" :key="device.id" :device="device" />
      <TabletPanel v-for="device in tablets" :key="device.id" :device="device" :locked="!session.mayOperate" @play="(control, values) => standIns.play(device.id, control, values)" />
    </div>
  </div>
</template>

<style scoped>
.panels { display: grid; grid-template-columns: repeat(auto-fit, minmax(440px, 1fr)); gap: 16px; align-items: start; }
@media (max-width: 900px) { .panels { grid-template-columns: 1fr; } }
</style>
