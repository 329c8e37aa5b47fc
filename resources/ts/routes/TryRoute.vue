<script setup lang="ts">
import { ref } from 'vue'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'

/** Runs a route by hand, as a test that the trace tells as one. */
const props = defineProps<{ route: string }>()
const engine = useEngine()
const value = ref('1')
const { failed, attempt } = useAttempt()
const run = () => attempt(() => engine.setPoint(`route:${props.route}/run`, Number(value.value)))
const stop = () => attempt(() => engine.pressPoint(`route:${props.route}/stop`))
</script>

<template>
  <form class="try" aria-label="Try the route" @submit.prevent="run">
    <v-text-field v-model="value" type="number" step="any" label="Try it with the value" hide-details />
    <v-btn type="submit">Try it</v-btn>
    <v-btn @click="stop">Stop what it does later</v-btn>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
  </form>
</template>

<style scoped>
.try {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 10px 0;
}
.try > :first-child {
  max-width: 190px;
}
</style>
