<script setup lang="ts">
import { useSession } from '@/api/session'
import LiveNumber from '@/components/LiveNumber.vue'
import { useEngine } from '@/live/engine'
import BeatMarks from './BeatMarks.vue'
import { useTempo } from './tempo'

/** How fast the music is: tapped, typed, doubled, halved; rounded here, exact in its field. */
const props = defineProps<{ id?: string; exact?: boolean }>()
const engine = useEngine()
const session = useSession()
const { tempo, life, beat, source } = useTempo(() => props.id)
const press = (part: string) => void engine.pressPoint(`tempo:${tempo.value?.id}/${part}`)
const set = (part: string, value: number) => void engine.setPoint(`tempo:${tempo.value?.id}${part}`, value)
</script>

<template>
  <div v-if="tempo && life" class="tempo">
    <button
      type="button"
      class="tap"
      :disabled="!session.mayOperate"
      :aria-label="`${tempo.name}: tap`"
      @pointerdown="press('tap')"
      @keydown.enter="press('tap')"
      @keydown.space="press('tap')"
    >
      <span class="figures bpm" :title="`${life.bpm} BPM`">{{ Math.round(life.bpm) }}</span> <span class="small">BPM, tap</span>
    </button>
    <div class="beside">
      <BeatMarks :beat="beat" :bar="tempo.bar ?? 4" :stands="life.zeroAt === null" />
      <span class="small quiet" :class="{ wrong: life.isCarriedOn }">{{ source }}</span>
    </div>
    <div v-if="exact" class="more">
      <label class="small"
        >Exact
        <LiveNumber :value="life.bpm" :min="1" :max="1000" :step="0.01" :disabled="!session.mayOperate" @set="set('', $event)" />
        BPM</label
      >
      <button type="button" class="small-button" :disabled="!session.mayOperate" @click="press('half')">Half</button>
      <button type="button" class="small-button" :disabled="!session.mayOperate" @click="press('double')">Double</button>
      <button type="button" class="small-button" :disabled="!session.mayOperate" @click="set('/nudge', -0.1)">− 0.1</button>
      <button type="button" class="small-button" :disabled="!session.mayOperate" @click="set('/nudge', 0.1)">+ 0.1</button>
      <button
        type="button"
        class="small-button"
        :disabled="!session.mayOperate"
        title="The next bar begins now"
        @click="press('align')"
      >
        Bar now
      </button>
      <button
        type="button"
        class="small-button"
        :disabled="!session.mayOperate"
        @click="set('/running', life.zeroAt === null ? 1 : 0)"
      >
        {{ life.zeroAt === null ? 'Run' : 'Stand' }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.tempo {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.tap {
  min-height: 56px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  background: var(--sunk);
  color: inherit;
  font: inherit;
  cursor: pointer;
  touch-action: manipulation;
}
.tap:active {
  background: var(--fill);
}
.tap:disabled {
  cursor: default;
}
.bpm {
  font-size: 26px;
}
.beside {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  flex-basis: 100%;
}
.more input {
  width: 104px;
}
</style>
