<script setup lang="ts">
import { useRoute } from 'vue-router'

/** Pages of one room beside each other. */
defineProps<{ label: string; tabs: { path: string; name: string }[] }>()
const route = useRoute()
const isHere = (path: string) => route.path === path || route.path.startsWith(`${path}/`)
</script>

<template>
  <nav class="tabs" :aria-label="label">
    <router-link v-for="tab in tabs" :key="tab.path" :to="tab.path" :aria-current="isHere(tab.path) ? 'page' : undefined">{{
      tab.name
    }}</router-link>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
a {
  padding: 6px 12px;
  border: 1px solid var(--rule);
  color: inherit;
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
}
a[aria-current] {
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
