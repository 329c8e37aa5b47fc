<script setup lang="ts">
import RoomTabs from '@/components/RoomTabs.vue'

/** Surfaces on screens, and panels of hardware that move their controls. */
const TABS = [
  { path: '/surfaces', name: 'On screens' },
  { path: '/surfaces-panels', name: 'Panels' },
]
</script>

<template>
  <RoomTabs label="Surfaces and panels" :tabs="TABS" />
</template>
