<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import { spellLevel } from '@/components/levels'
import type { LampsDevice } from '@/live/standIns'

defineProps<{ device: LampsDevice }>()
</script>

<template>
  <article class="panel" :aria-label="device.name">
    <header><h2>{{ device.name }}</h2><StateMark :state="device.alive ? 'alive' : 'lost'" words /><span class="quiet figures">{{ device.protocol }} at {{ device.address }}</span></header>
    <ol class="lamps">
      <li v-for="(level, i) in device.lamps" :key="i" :data-lamp="i + 1" :data-level="level">
        <svg viewBox="0 0 40 52" aria-hidden="true">
          <path d="M14 36h12v8h-12z" class="base" />
          <circle cx="20" cy="20" r="16" class="glass" /><circle cx="20" cy="20" r="16" class="light" :style="{ opacity: level / 255 }" />
        </svg>
        <span class="figures">{{ spellLevel(level) }}</span><span class="quiet">{{ i + 1 }}</span>
      </li>
    </ol>
  </article>
</template>

<style scoped>
header { display: flex; gap: 12px; align-items: baseline; flex-wrap: wrap; }
header span.figures { font-size: 13px; }
.lamps { list-style: none; padding: 8px 0 0; display: grid; grid-template-columns: repeat(12, 1fr); gap: 4px; }
li { display: grid; justify-items: center; font-size: 13px; }
svg { width: 100%; max-width: 40px; }
.base { fill: var(--rule); }
.glass { fill: var(--sunk); stroke: var(--rule); stroke-width: 2; }
.light { fill: #ffe3a3; }
</style>
