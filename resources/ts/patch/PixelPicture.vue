<script setup lang="ts">
import { computed } from 'vue'
import type { PixelLayout } from '@/api/show'
import { pictureOf } from './pixels'

/** Where each pixel is, with its number, and the line that runs through them; what begins a universe is marked. */
const props = defineProps<{ layout: PixelLayout; chosen?: number; lit?: number }>()
const emit = defineEmits<{ choose: [pixel: number] }>()
/** More pixels than this are shown without their numbers. */
const NUMBERED = 600
const picture = computed(() => pictureOf(props.layout))
const isNumbered = computed(() => picture.value.dots.length <= NUMBERED && picture.value.width <= 40)
const line = computed(() => picture.value.dots.map((one) => `${one.across + 0.5},${one.down + 0.5}`).join(' '))
const box = computed(() => {
  const { left, top, width, height } = picture.value
  return `${left - 0.1} ${top - 0.1} ${width + 0.2} ${height + 0.2}`
})
const begins = (i: number) => i === 0 || picture.value.dots[i]?.universe !== picture.value.dots[i - 1]?.universe
/** One listener for all of them: there may be thousands. */
function pressed(event: MouseEvent): void {
  const pixel = Number((event.target as Element).closest('[data-pixel]')?.getAttribute('data-pixel'))
  if (pixel) emit('choose', pixel)
}
</script>

<template>
  <svg :viewBox="box" role="img" :aria-label="`Picture of ${layout.counts}`" @click="pressed">
    <g
      v-for="(one, i) in picture.dots"
      :key="one.number"
      :data-pixel="one.number"
      :data-across="one.across"
      :data-down="one.down"
      :class="{ odd: one.universe % 2 === 1, begins: begins(i), chosen: one.number === chosen, lit: one.number === lit }"
    >
      <rect :x="one.across + 0.06" :y="one.down + 0.06" width="0.88" height="0.88" rx="0.12" />
    </g>
    <polyline :points="line" class="line" />
    <template v-if="isNumbered">
      <text
        v-for="one in picture.dots"
        :key="one.number"
        :x="one.across + 0.5"
        :y="one.down + 0.62"
        :class="{ 'lit-number': one.number === lit }"
      >
        {{ one.number }}
      </text>
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-height: 46vh;
  background: var(--sunk);
  border: 1px solid var(--rule);
}
rect {
  fill: var(--raised, var(--sunk));
  stroke: var(--rule);
  stroke-width: 0.04;
  cursor: pointer;
}
.odd rect {
  stroke-dasharray: 0.12 0.08;
}
.begins rect {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 0.1;
}
.chosen rect {
  stroke: currentColor;
  stroke-width: 0.12;
}
.lit rect {
  fill: #fff;
}
.line {
  fill: none;
  stroke: var(--rule);
  stroke-width: 0.05;
  pointer-events: none;
}
text {
  font-size: 0.34px;
  text-anchor: middle;
  fill: currentColor;
  pointer-events: none;
}
text.lit-number {
  fill: #000;
}
</style>
