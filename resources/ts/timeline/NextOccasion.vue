<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { momentWords, useTimetable } from './timetable'

/** What happens by itself next: seen wherever somebody runs the evening. */
const show = useShow()
const day = useTimetable()
const next = computed(() => {
  const life = day.next.value
  const name = show.occasions.find((one) => one.id === life?.id)?.name
  return life?.next && name
    ? { id: life.id, words: `${name}, ${day.inWords(life.id)} (${momentWords(life.next, day.zone.value)})` }
    : null
})
</script>

<template>
  <span v-if="next" class="small by">
    By itself: <router-link :to="`/timeline-day/${next.id}`">{{ next.words }}</router-link>
  </span>
</template>

<style scoped>
.by {
  margin-left: 12px;
  font-weight: 400;
}
</style>
