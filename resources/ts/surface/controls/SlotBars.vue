<script setup lang="ts">
import { computed } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { traits, wordsOn } from '../traits'

/** A run of slots, each as a bar. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife }>()
const first = computed(() => traits.number(props.control, 'first', 1))
const raised = computed(() => props.life.at.filter((one) => (one ?? 0) > 0).length)
</script>

<template>
  <figure
    class="control slots"
    :class="control.size"
    :aria-label="`${control.name}: ${raised} of ${life.at.length} slots are raised`"
  >
    <figcaption class="words">{{ wordsOn(control, life) }}</figcaption>
    <span class="bars" aria-hidden="true">
      <span v-for="(at, i) in life.at" :key="i" class="bar" :title="String(first + i)"
        ><span :style="{ transform: `scaleY(${at ?? 0})` }"
      /></span>
    </span>
    <span class="ends figures" aria-hidden="true"
      ><span>{{ first }}</span
      ><span>{{ first + life.at.length - 1 }}</span></span
    >
  </figure>
</template>

<style scoped>
.slots {
  flex-direction: column;
  gap: 4px;
  margin: 0;
  padding: 8px;
}
.bars {
  display: flex;
  flex: 1;
  gap: 1px;
  min-height: 20px;
}
.bar {
  flex: 1;
  background: var(--page);
}
.bar > span {
  display: block;
  height: 100%;
  background: var(--on-control, var(--on));
  transform-origin: bottom;
}
.ends {
  display: flex;
  justify-content: space-between;
  font-size: 12px;
}
</style>
