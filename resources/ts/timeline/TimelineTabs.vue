<script setup lang="ts">
import RoomTabs from '@/components/RoomTabs.vue'

/** Timelines, and all else that goes by time. */
const TABS = [
  { path: '/timeline', name: 'Timelines' },
  { path: '/timeline-codes', name: 'Time code' },
  { path: '/timeline-day', name: 'Timetable' },
  { path: '/timeline-desks', name: 'Desk lines' },
  { path: '/timeline-tapes', name: 'Tapes' },
]
</script>

<template>
  <RoomTabs label="Timeline" :tabs="TABS" />
</template>
