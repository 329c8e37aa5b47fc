<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The lists of the programme. */
const tabs = [
  { path: '/programme', name: 'Looks' },
  { path: '/programme-lists', name: 'Cue lists' },
  { path: '/programme-masters', name: 'Masters' },
  { path: '/programme-waves', name: 'Waves' },
  { path: '/programme-tempo', name: 'Tempo' },
]
const route = useRoute()
const isHere = (path: string) => route.path === path || route.path.startsWith(`${path}/`)
</script>

<template>
  <nav class="tabs" aria-label="Programme">
    <router-link v-for="tab in tabs" :key="tab.path" :to="tab.path" :class="{ here: isHere(tab.path) }">{{
      tab.name
    }}</router-link>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 4px;
}
a {
  padding: 6px 12px;
  border: 1px solid var(--rule);
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
}
a.here {
  border-color: currentColor;
}
@media (max-width: 900px) {
  a {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
