<script setup lang="ts">
import type { PortState } from '@/live/types'
import { stateWords } from './words'

defineProps<{ state: PortState | 'held'; words?: boolean }>()
</script>

<template>
  <span class="mark" :class="state">
    <svg viewBox="0 0 16 16" width="14" height="14" aria-hidden="true">
      <circle v-if="state === 'alive'" cx="8" cy="8" r="6" fill="currentColor" />
      <circle v-else-if="state === 'quiet'" cx="8" cy="8" r="5" fill="none" stroke="currentColor" stroke-width="2" />
      <path
        v-else-if="state === 'unsteady'"
        d="M1 9l3-5 4 8 4-8 3 5"
        fill="none"
        stroke="currentColor"
        stroke-width="2.2"
        stroke-linejoin="round"
      />
      <path v-else-if="state === 'silent'" d="M8 2a6 6 0 0 0 0 12M8 2v12" fill="none" stroke="currentColor" stroke-width="2" />
      <g v-else-if="state === 'waiting'" fill="currentColor">
        <circle cx="3" cy="8" r="1.6" />
        <circle cx="8" cy="8" r="1.6" />
        <circle cx="13" cy="8" r="1.6" />
      </g>
      <path v-else-if="state === 'lost'" d="M3 3l10 10M13 3L3 13" stroke="currentColor" stroke-width="2.4" />
      <path
        v-else-if="state === 'fault'"
        d="M8 1l7 13H1zM8 6v4M8 11.4v1.4"
        fill="none"
        stroke="currentColor"
        stroke-width="1.8"
      />
      <path
        v-else-if="state === 'unknown'"
        d="M4 4h8v8H4z"
        fill="none"
        stroke="currentColor"
        stroke-width="1.6"
        stroke-dasharray="2.4 2.4"
      />
      <path v-else-if="state === 'held'" d="M5 14V5m3 9V3m3 11V5M3 14h10" fill="none" stroke="currentColor" stroke-width="2" />
      <path v-else d="M2 8h12" stroke="currentColor" stroke-width="2.4" />
    </svg>
    <span :class="{ unseen: !words }">{{ stateWords(state) }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
  color: var(--quiet);
}
.mark svg {
  flex: none;
}
.alive {
  color: var(--alive);
}
.lost,
.fault {
  color: var(--wrong);
}
.held,
.unsteady,
.silent {
  color: var(--held);
}
.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
