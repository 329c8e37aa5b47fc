<script setup lang="ts">
import { computed } from 'vue'

const props = defineProps<{ values: number[]; label: string }>()
const top = computed(() => Math.max(1, ...props.values))
const path = computed(() =>
  props.values.map((value, i) => `M${i + 0.5} 20V${(20 - (value / top.value) * 19).toFixed(1)}`).join(''),
)
</script>

<template>
  <svg
    class="plot"
    viewBox="0 0 60 20"
    preserveAspectRatio="none"
    role="img"
    :aria-label="`${label} over the last minute, at most ${top} a second`"
  >
    <path d="M0 19.5H60" class="ground" />
    <path :d="path" class="bars" />
  </svg>
</template>

<style scoped>
.plot {
  width: 100%;
  height: 22px;
  display: block;
}
.bars {
  stroke: var(--alive);
  stroke-width: 0.8;
  fill: none;
}
.ground {
  stroke: var(--rule);
  stroke-width: 0.6;
}
</style>
