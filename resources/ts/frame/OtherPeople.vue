<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useEngine } from '@/live/engine'
import { useStanding } from './place'

/** Who else has a page open, and where; two by name, the others counted, all of them on touch. */
const session = useSession()
const engine = useEngine()
useStanding()
/** Guests of surfaces are listed there. */
const there = computed(() => engine.present.filter((one) => one.role !== 'guest'))
const people = computed(() =>
  there.value.map(
    (one) => `${one.name === session.user?.name ? `${one.name}, another page` : one.name}: ${one.place || 'just came'}`,
  ),
)
const names = computed(() => [...new Set(there.value.map((one) => one.name))])
/** One by name and place; of several the names. */
const words = computed(() => {
  if (people.value.length === 1) return people.value[0]
  const more = names.value.length - 2
  return `${names.value.slice(0, 2).join(', ')}${more > 0 ? ` and ${more} more` : ''} here`
})
</script>

<template>
  <span v-if="people.length" class="people" role="status" tabindex="0" :title="people.join('\n')">
    {{ words }}
  </span>
</template>

<style scoped>
.people {
  border-left: 3px solid var(--held);
  padding-left: 8px;
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .people {
    display: none;
  }
}
</style>
