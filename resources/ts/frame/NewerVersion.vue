<script setup lang="ts">
import { watch } from 'vue'
import { useEngine } from '@/live/engine'
import { lookForNewer, useNewer } from './newer'

/** After an upgrade: this page is of the version before. It is loaded anew by a hand: somebody may be typing. */
const engine = useEngine()
const { isNewer } = useNewer()
let hasBeenOpen = false
watch(
  () => engine.state,
  (state) => {
    if (state !== 'open') return
    if (hasBeenOpen) void lookForNewer()
    hasBeenOpen = true
  },
  { immediate: true },
)
const load = () => location.reload()
</script>

<template>
  <button v-if="isNewer" type="button" class="newer" title="Another version runs here since this page was loaded" @click="load">
    Newer version<span class="rest">: load this page anew</span>
  </button>
</template>

<style scoped>
.newer {
  background: none;
  border: 1px solid var(--held);
  color: var(--held);
  font: inherit;
  font-weight: 600;
  padding: 4px 10px;
  white-space: nowrap;
  cursor: pointer;
}
@media (max-width: 1100px) {
  .rest {
    display: none;
  }
}
</style>
