<script setup lang="ts">
import { useRoute } from 'vue-router'
import TimelineDesk from './TimelineDesk.vue'

/** A timeline of its own: another one is another desk. */
const route = useRoute()
</script>

<template>
  <TimelineDesk :id="String(route.params.id)" :key="String(route.params.id)" />
</template>
