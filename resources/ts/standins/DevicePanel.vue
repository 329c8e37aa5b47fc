<script setup lang="ts">
import type { Device } from '@/live/standIns'

/** What every simulated device has: a name, where it is, and its bad habits behind switches. */
const props = defineProps<{ device: Device; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const words: Record<string, { name: string; why: string }> = {
  loss: { name: 'Loses packets', why: 'One packet in five never leaves' },
  jitter: { name: 'Jitters', why: 'Each packet is up to 60 ms late' },
  slow: { name: 'Slow keep-alive', why: 'While nothing changes it sends only every 3.5 s: some receivers take that for a loss' },
  'wrong-universe': { name: 'Universe off by one', why: 'Its universe number is one too high' },
  straight: { name: 'Wired straight', why: 'Every row of the strip begins on the left, instead of running back and forth' },
  'other-colours': { name: 'Other colour order', why: 'It takes red before green' },
  swapped: { name: 'Swapped ports', why: 'It sends to the number that it should listen at, and the other way round' },
}
const turn = (habit: string) => emit('play', 'habit', { habit, on: !props.device.habits?.[habit] })
</script>

<template>
  <article class="panel" :aria-label="device.name">
    <header>
      <h2>{{ device.name }}</h2>
      <slot name="mark" /><span class="quiet figures small"
        ><slot name="where">{{ device.protocol }} at {{ device.address }}</slot></span
      >
    </header>
    <div class="body"><slot /></div>
    <div v-if="device.habits" class="row habits">
      <span class="quiet small">Bad habits</span>
      <button
        v-for="(on, habit) in device.habits"
        :key="habit"
        type="button"
        class="small-button"
        :disabled="locked"
        :aria-pressed="on"
        :title="words[habit]?.why"
        @click="turn(String(habit))"
      >
        {{ words[habit]?.name ?? habit }}
      </button>
    </div>
  </article>
</template>

<style scoped>
header {
  display: flex;
  gap: 4px 12px;
  align-items: baseline;
  flex-wrap: wrap;
  margin-bottom: 8px;
}
.body :deep(.row),
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
  align-items: center;
}
.body :deep(button) {
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  font-weight: 600;
  min-height: 36px;
  padding: 0 12px;
  cursor: pointer;
}
.body :deep(button[aria-pressed='true']) {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
.body :deep(button.pulled[aria-pressed='true']) {
  background: none;
  color: var(--wrong);
  border-color: var(--wrong);
}
.body :deep(button:disabled) {
  opacity: 0.5;
  cursor: default;
}
.body :deep(input[type='range']) {
  accent-color: rgb(var(--v-theme-primary));
}
.habits {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
  margin-top: 12px;
}
.habits [aria-pressed='true'] {
  background: none;
  color: var(--wrong);
  border-color: var(--wrong);
  font-weight: 600;
}
@media (max-width: 900px) {
  .body :deep(button) {
    min-height: 44px;
  }
}
</style>
