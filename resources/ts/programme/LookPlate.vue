<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import type { Look } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { LookLife } from '@/live/messages'
import { leftOf } from './live'

/** A look as a plate, filled to its level: pressed, it comes on or goes, as it says. */
const props = defineProps<{ look: Look; life?: LookLife; now: number }>()
const engine = useEngine()
const session = useSession()
const level = computed(() => props.life?.level ?? 0)
const left = computed(() => leftOf(props.life?.until ?? null, props.now))
const isHeld = computed(() => props.look.press === 'momentary')
const state = computed(() => {
  if (!props.life) return ''
  if (level.value === 0) return `out ${left.value}`
  return left.value ? `in ${left.value}` : `${Math.round(level.value)} %`
})
const hold = (isDown: boolean) => {
  if (isHeld.value) void engine.setPoint(`look:${props.look.id}/pressed`, isDown ? 1 : 0)
}
const press = () => {
  if (!isHeld.value) void engine.pressPoint(`look:${props.look.id}`)
}
</script>

<template>
  <button
    type="button"
    class="plate"
    :class="{ on: level > 0, going: life !== undefined && level === 0 }"
    :aria-pressed="level > 0"
    :disabled="!session.mayOperate"
    @click="press"
    @pointerdown="hold(true)"
    @pointerup="hold(false)"
    @pointerleave="hold(false)"
    @keydown.space.exact="hold(true)"
    @keyup.space.exact="hold(false)"
  >
    <span class="filled" :style="{ width: `${level}%` }" />
    <strong>{{ look.name }}</strong>
    <span class="figures small state">{{ state }}</span>
  </button>
</template>

<style scoped>
.plate {
  position: relative;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  align-items: flex-start;
  gap: 2px;
  min-height: 58px;
  padding: 5px 12px 5px 14px;
  border: 1px solid var(--rule);
  border-left: 6px solid var(--rule);
  background: var(--sunk);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  overflow: hidden;
}
.plate:disabled {
  cursor: default;
}
.plate.on {
  border-left-color: var(--alive);
}
.plate.going {
  border-left-style: dashed;
  border-left-color: var(--quiet);
}
.filled {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--fill);
}
.plate > strong,
.state {
  position: relative;
}
.state {
  min-height: 18px;
}
</style>
