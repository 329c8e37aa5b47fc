<script setup lang="ts">
import { useRoute } from 'vue-router'

/** Timelines, and what some of them follow. */
const tabs = [
  { path: '/timeline', name: 'Timelines' },
  { path: '/timeline-codes', name: 'Time code' },
  { path: '/timeline-day', name: 'Timetable' },
  { path: '/timeline-desks', name: 'Desk lines' },
  { path: '/timeline-tapes', name: 'Tapes' },
]
const route = useRoute()
const isHere = (path: string) => route.path === path || route.path.startsWith(`${path}/`)
</script>

<template>
  <nav class="tabs" aria-label="Timeline">
    <router-link
      v-for="tab in tabs"
      :key="tab.path"
      :to="tab.path"
      class="small-button"
      :aria-current="isHere(tab.path) || undefined"
      >{{ tab.name }}</router-link
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 4px;
}
a {
  text-decoration: none;
  white-space: nowrap;
}
a[aria-current] {
  border-color: currentColor;
  font-weight: 600;
}
</style>
