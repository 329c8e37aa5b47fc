<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import BlackoutButton from './BlackoutButton.vue'
import { useProgramme } from './live'
import { useTempo } from './tempo'

/** In the strip of every page: the tempo with its beat, where the grand master stands, and blackout. */
const show = useShow()
const { masters } = useProgramme()
const { tempo, life, beat } = useTempo(() => undefined)
const grand = computed(() => show.masters.find((one) => (one.over ?? 'all') === 'all'))
const level = computed(() => Math.round(masters.value.get(grand.value?.id ?? '')?.level ?? 100))
</script>

<template>
  <router-link
    v-if="tempo && life"
    :to="`/programme-tempo/${tempo.id}`"
    class="grand figures beat"
    :title="`${tempo.name}: ${life.bpm} BPM`"
    ><span class="dot" :class="{ now: beat === 1 }" />{{ Math.round(life.bpm) }}</router-link
  >
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
.beat {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.dot {
  width: 8px;
  height: 8px;
  border: 1px solid var(--quiet);
}
.now {
  background: var(--alive);
  border-color: var(--alive);
}
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
