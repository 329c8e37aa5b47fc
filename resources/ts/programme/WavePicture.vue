<script setup lang="ts">
import { computed } from 'vue'
import type { Wave } from '@/api/showDocument'
import { pictured } from './waves'

/** Two turns of a wave, with its centre and its range. */
const props = defineProps<{ wave: Wave }>()
const WIDTH = 400
const HEIGHT = 90
const path = computed(() =>
  pictured(props.wave)
    .map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${(x * WIDTH).toFixed(1)} ${(HEIGHT / 2 - (y * (HEIGHT - 8)) / 2).toFixed(1)}`)
    .join(''),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="`Two turns: ${wave.shape ?? 'sine'}`"
    preserveAspectRatio="none"
  >
    <line x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" stroke="var(--rule)" />
    <line :x1="WIDTH / 2" :x2="WIDTH / 2" y1="0" :y2="HEIGHT" stroke="var(--rule)" />
    <path :d="path" fill="none" stroke="currentColor" stroke-width="2" vector-effect="non-scaling-stroke" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 90px;
  background: var(--sunk);
  border: 1px solid var(--rule);
}
</style>
