<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import BlackoutButton from './BlackoutButton.vue'
import { useProgramme } from './live'

/** In the strip of every page: where the grand master stands, and blackout. */
const show = useShow()
const { masters } = useProgramme()
const grand = computed(() => show.masters.find((one) => (one.over ?? 'all') === 'all'))
const level = computed(() => Math.round(masters.value.get(grand.value?.id ?? '')?.level ?? 100))
</script>

<template>
  <router-link
    v-if="grand"
    :to="`/programme-masters/${grand.id}`"
    class="grand figures wide"
    :class="{ lowered: level < 100 }"
    :title="`${grand.name}: ${level} %`"
    >GM {{ level }}</router-link
  >
  <BlackoutButton />
</template>

<style scoped>
.grand {
  text-decoration: none;
}
.lowered {
  color: var(--held);
  font-weight: 700;
}
@media (max-width: 700px) {
  .grand {
    display: none;
  }
}
</style>
