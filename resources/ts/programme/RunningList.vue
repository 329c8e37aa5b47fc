<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import type { CueList } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { ListLife } from '@/live/messages'
import { leftOf, shareOf } from './live'

/** A list that is in a cue: which one, how far it is, and what stops it. */
const props = defineProps<{ list: CueList; life: ListLife; now: number }>()
const engine = useEngine()
const session = useSession()
const cue = computed(() => (props.list.cues ?? []).find((one) => one.number === props.life.cue))
const share = computed(() => shareOf(props.life.from, props.life.until, props.now))
const isPaused = computed(() => props.life.state === 'paused')
const state = computed(() => (isPaused.value ? 'paused' : leftOf(props.life.until, props.now)))
const press = (part: string) => void engine.pressPoint(`list:${props.list.id}/${part}`)
</script>

<template>
  <div class="running" :class="{ paused: isPaused }">
    <span class="filled" :style="{ width: `${share * 100}%` }" />
    <span class="figures number">{{ life.cue }}</span>
    <span class="what"
      ><strong>{{ cue?.name || list.name }}</strong
      ><span class="quiet small"
        >{{ list.name }}<template v-if="cue?.note">: {{ cue.note }}</template></span
      ></span
    >
    <span class="figures left">{{ state }}</span>
    <span class="ends">
      <button type="button" :disabled="!session.mayOperate" :aria-label="`${list.name}: back`" @click="press('back')">
        Back
      </button>
      <button
        type="button"
        :disabled="!session.mayOperate"
        :aria-label="`${list.name}: ${isPaused ? 'resume' : 'pause'}`"
        @click="press(isPaused ? 'resume' : 'pause')"
      >
        {{ isPaused ? 'Resume' : 'Pause' }}
      </button>
      <button type="button" :disabled="!session.mayOperate" :aria-label="`${list.name}: release`" @click="press('release')">
        Release
      </button>
    </span>
  </div>
</template>

<style scoped>
.running {
  position: relative;
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr) auto auto;
  gap: 0 12px;
  align-items: center;
  min-height: 60px;
  padding: 4px 8px 4px 12px;
  border: 1px solid var(--rule);
  border-left: 6px solid var(--alive);
  margin-bottom: 6px;
}
.running.paused {
  border-left: 6px dashed var(--held);
}
.filled {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--fill);
  opacity: 0.6;
}
.running > :not(.filled) {
  position: relative;
}
.number {
  font-size: 24px;
}
.what {
  display: flex;
  flex-direction: column;
}
.what > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.left {
  font-size: 18px;
  white-space: nowrap;
}
.ends {
  display: flex;
  gap: 6px;
}
button {
  min-height: 48px;
  padding: 0 12px;
  border: 1px solid var(--rule);
  background: rgb(var(--v-theme-background));
  color: inherit;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
button:disabled {
  opacity: 0.5;
  cursor: default;
}
@media (max-width: 700px) {
  .running {
    grid-template-columns: 48px minmax(0, 1fr) auto;
  }
  .ends {
    grid-column: 1 / -1;
    padding: 4px 0;
  }
}
</style>
