<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'

/** A colour by eye: each fixture is held at it as its parameters make it. */
const props = defineProps<{ fixtures: string[]; pixels?: string[] }>()
const engine = useEngine()
const session = useSession()
const { failed, attempt } = useAttempt()
const colour = ref('#ffffff')
/** One after the other while it is dragged: what was asked last is held last. */
let last: Promise<unknown> = Promise.resolve()
function hold(now: string): void {
  colour.value = now
  last = last.then(() => (now === colour.value ? attempt(() => engine.holdColour(props.fixtures, now, props.pixels)) : undefined))
}
</script>

<template>
  <label class="colour small">
    Colour
    <input
      type="color"
      :value="colour"
      :disabled="!session.mayOperate"
      aria-label="Colour, held by hand"
      @input="hold(($event.target as HTMLInputElement).value)"
    />
    <span class="figures">{{ colour }}</span>
  </label>
  <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
</template>

<style scoped>
.colour {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}
input {
  width: 56px;
  height: 30px;
  padding: 2px;
  border: 1px solid var(--rule);
  background: var(--sunk);
}
</style>
