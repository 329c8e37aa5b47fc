<script setup lang="ts">
import { useEngine } from '@/live/engine'
import { useSession } from '@/api/session'
import { useProgramme } from './live'

/** Blackout: all light is at 0 as long as it is on, and nothing else changes. */
defineProps<{ large?: boolean }>()
const engine = useEngine()
const session = useSession()
const { isDark } = useProgramme()
const turn = () => void engine.setPoint('master:blackout', isDark.value ? 0 : 1)
</script>

<template>
  <button
    type="button"
    class="blackout"
    :class="{ on: isDark, large }"
    :aria-pressed="isDark"
    :disabled="!session.mayOperate"
    title="Blackout: all light at 0 (Shift+B)"
    @click="turn"
  >
    {{ isDark ? 'Blackout is on: light again' : 'Blackout' }}
  </button>
</template>

<style scoped>
.blackout {
  min-height: 28px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
  white-space: nowrap;
}
.on {
  border-color: var(--wrong);
  color: var(--wrong);
  font-weight: 700;
}
.blackout:disabled {
  cursor: default;
}
.large {
  min-height: 64px;
  font-size: 18px;
  font-weight: 700;
}
@media (max-width: 900px) {
  .blackout {
    min-height: 44px;
  }
}
</style>
