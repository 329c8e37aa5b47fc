<script setup lang="ts">
import RoomTabs from '@/components/RoomTabs.vue'

/** The lists of the programme. */
const TABS = [
  { path: '/programme', name: 'Looks' },
  { path: '/programme-lists', name: 'Cue lists' },
  { path: '/programme-masters', name: 'Masters' },
  { path: '/programme-waves', name: 'Waves' },
  { path: '/programme-tempo', name: 'Tempo' },
]
</script>

<template>
  <RoomTabs label="Programme" :tabs="TABS" />
</template>
