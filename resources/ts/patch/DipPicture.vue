<script setup lang="ts">
import { computed } from 'vue'
import { addressOf, switchesOf, switchRow } from './dip'

/** An address as it stands on a row of switches; where it may be changed, a press on a switch does. */
const props = defineProps<{ address: number; changes?: boolean }>()
const emit = defineEmits<{ change: [address: number] }>()
const switches = computed(() => switchesOf(props.address, switchRow.value))
const shown = computed(() => {
  const all = (switches.value ?? []).map((isOn, i) => ({ isOn, number: i + 1, counts: 2 ** i }))
  return switchRow.value.fromRight ? all.reverse() : all
})
function turn(number: number): void {
  const now = (switches.value ?? []).map((isOn, i) => (i === number - 1 ? !isOn : isOn))
  const address = addressOf(now, switchRow.value)
  if (address !== undefined) emit('change', address)
}
const isUp = (isOn: boolean) => isOn !== switchRow.value.onIsDown
</script>

<template>
  <div class="dip">
    <p v-if="!switches" class="quiet small">
      {{ address }} cannot be set on {{ switchRow.count }} switches{{
        switchRow.count === 9 ? '; a tenth one would count 512' : ''
      }}.
    </p>
    <div v-else class="row" role="group" aria-label="Switches at the fixture">
      <button
        v-for="one in shown"
        :key="one.number"
        type="button"
        class="switch"
        :class="{ up: isUp(one.isOn) }"
        :disabled="!changes"
        role="switch"
        :aria-checked="one.isOn"
        :aria-label="`Switch ${one.number}, counts ${one.counts}`"
        @click="turn(one.number)"
      >
        <span class="slide" /><span class="figures">{{ one.number }}</span>
      </button>
    </div>
    <p class="small quiet how">
      On is {{ switchRow.onIsDown ? 'down' : 'up' }}.
      <button
        type="button"
        class="small-button"
        :aria-pressed="switchRow.onIsDown"
        @click="switchRow.onIsDown = !switchRow.onIsDown"
      >
        On is down
      </button>
      <button
        type="button"
        class="small-button"
        :aria-pressed="switchRow.fromRight"
        @click="switchRow.fromRight = !switchRow.fromRight"
      >
        1 is on the right
      </button>
      <button
        type="button"
        class="small-button"
        :aria-pressed="switchRow.fromZero"
        @click="switchRow.fromZero = !switchRow.fromZero"
      >
        Counts from 0
      </button>
      <button
        type="button"
        class="small-button"
        :aria-pressed="switchRow.count === 10"
        @click="switchRow.count = switchRow.count === 10 ? 9 : 10"
      >
        Ten switches
      </button>
    </p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  gap: 4px;
  margin: 6px 0;
}
.switch {
  display: grid;
  justify-items: center;
  gap: 3px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font-size: 12px;
  cursor: pointer;
}
.switch:disabled {
  cursor: default;
}
.slide {
  position: relative;
  width: 22px;
  height: 38px;
  border: 1px solid var(--quiet);
  background: var(--sunk);
}
.slide::after {
  content: '';
  position: absolute;
  inset: auto 2px 2px 2px;
  height: 15px;
  background: var(--quiet);
}
.switch.up .slide::after {
  inset: 2px 2px auto 2px;
}
.switch[aria-checked='true'] .slide::after {
  background: rgb(var(--v-theme-primary));
}
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
@media (max-width: 900px), (pointer: coarse) {
  .slide {
    width: 30px;
    height: 44px;
  }
}
</style>
