<script setup lang="ts">
/** Surfaces on screens, and panels of hardware that move their controls. */
const TABS = [
  { path: '/surfaces', name: 'On screens' },
  { path: '/surfaces-panels', name: 'Panels' },
]
</script>

<template>
  <nav aria-label="Surfaces and panels">
    <router-link
      v-for="tab in TABS"
      :key="tab.path"
      :to="tab.path"
      class="small-button"
      :aria-current="$route.path.split('/')[1] === tab.path.slice(1) ? 'page' : undefined"
      >{{ tab.name }}</router-link
    >
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  gap: 4px;
}
a {
  text-decoration: none;
}
a[aria-current='page'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
</style>
