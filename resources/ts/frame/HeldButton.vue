<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import { useEngine } from '@/live/engine'
import { useReleasing } from './releasing'

/** What is held by hand, and the way to let go of it. */
const engine = useEngine()
const session = useSession()
const show = useShow()
/** The first few, by what listens there. */
const FEW = 8
const named = computed(() =>
  engine.holds.slice(0, FEW).map((one) => {
    const listening = show.listening(one.universe, one.slot)
    return `${listening || `${show.universeName(one.universe)}, slot ${one.slot}`} at ${one.level}, by ${one.by}`
  }),
)
const title = computed(() =>
  [
    'Release everything held by hand (Shift+X):',
    ...named.value,
    engine.holds.length > FEW ? `and ${engine.holds.length - FEW} more` : '',
  ]
    .filter(Boolean)
    .join('\n'),
)
const { asks, others, releaseAll } = useReleasing()
function release(all: boolean): void {
  asks.value = false
  void (all ? engine.release() : engine.releaseMine())
}
</script>

<template>
  <span v-if="engine.holds.length === 0" class="quiet nothing">nothing held</span>
  <button v-else type="button" class="release" :disabled="!session.mayOperate" :title="title" @click="releaseAll">
    <StateMark state="held" /> {{ engine.holds.length }} held: release
  </button>
  <v-dialog v-model="asks" aria-label="Release">
    <div class="panel">
      <h2>Release what is held by hand</h2>
      <p>{{ others === 1 ? '1 slot is' : `${others} slots are` }} held by somebody else, who may be testing something.</p>
      <div class="actions">
        <v-btn v-if="others < engine.holds.length" variant="flat" color="primary" autofocus @click="release(false)"
          >Release mine</v-btn
        >
        <v-btn color="error" @click="release(true)">Release all</v-btn>
        <v-btn @click="asks = false">Cancel</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
button.release {
  background: none;
  border: 1px solid var(--held);
  color: var(--held);
  font: inherit;
  font-weight: 600;
  height: 28px;
  padding: 0 10px;
  cursor: pointer;
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
@media (max-width: 900px) {
  button.release {
    height: 44px;
  }
  .nothing {
    display: none;
  }
}
</style>
