<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import StateMark from '@/components/StateMark.vue'
import { useEngine } from '@/live/engine'

/** What a person should know of the engine itself: counted in the strip, said in full below it. */
const engine = useEngine()
const open = ref(false)
const warnings = computed(() =>
  engine.state === 'open'
    ? (engine.engine?.warnings ?? [])
    : engine.problem
      ? [{ key: 'link', at: NaN, words: engine.problem }]
      : [],
)
// Without the link nothing on the page is true any more: why that is stands there at once.
watch(
  () => engine.problem,
  (problem) => {
    open.value = problem !== ''
  },
)
const clock = (at: number) =>
  new Date(at * 1000).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', second: '2-digit', hour12: false })
</script>

<template>
  <template v-if="warnings.length > 0">
    <button type="button" class="warnings" :aria-expanded="open" aria-controls="engine-warnings" @click="open = !open">
      <StateMark state="fault" /> {{ warnings.length === 1 ? '1 warning' : `${warnings.length} warnings` }}
    </button>
    <div v-if="open" id="engine-warnings" class="list" role="region" aria-label="Warnings of the engine">
      <p v-for="one in warnings" :key="one.key">
        <span v-if="one.at" class="figures quiet">{{ clock(one.at) }}</span> {{ one.words }}
      </p>
      <p v-if="engine.state === 'open'" class="quiet small">{{ engine.engine?.runs }}</p>
      <button type="button" class="small-button" @click="open = false">Close</button>
    </div>
  </template>
</template>

<style scoped>
.warnings {
  background: none;
  border: 1px solid currentColor;
  color: inherit;
  font: inherit;
  font-weight: 600;
  padding: 4px 10px;
  cursor: pointer;
}
.list {
  position: fixed;
  top: var(--strip);
  left: var(--rail);
  right: 0;
  z-index: 12;
  padding: 12px 24px;
  white-space: normal;
  background: rgb(var(--v-theme-surface-bright));
  border-bottom: 1px solid var(--rule);
  max-height: 50vh;
  overflow: auto;
}
.list p {
  max-width: 110ch;
  margin-bottom: 8px;
  overflow-wrap: anywhere;
}
</style>
