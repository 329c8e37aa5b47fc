<script setup lang="ts">
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'

/** Waves as plates: pressed, one starts or stops. */
const props = defineProps<{ running: string[] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const isRunning = (id: string) => props.running.includes(id)
</script>

<template>
  <div class="plates">
    <button
      v-for="wave in show.waves"
      :key="wave.id"
      type="button"
      :aria-pressed="isRunning(wave.id)"
      :disabled="!session.mayOperate"
      @click="engine.setPoint(`wave:${wave.id}`, isRunning(wave.id) ? 0 : 1)"
    >
      <strong>{{ wave.name }}</strong> <span class="small">{{ isRunning(wave.id) ? 'running' : '' }}</span>
    </button>
  </div>
</template>

<style scoped>
.plates {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 6px;
}
button {
  min-height: 48px;
  padding: 4px 12px;
  border: 1px solid var(--rule);
  border-left: 6px solid var(--rule);
  background: var(--sunk);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
button[aria-pressed='true'] {
  border-left-color: var(--alive);
  background: var(--fill);
}
button:disabled {
  cursor: default;
}
</style>
