<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'

/** Runs a route by hand, as a test that the trace tells as one. */
const props = defineProps<{ route: string }>()
const engine = useEngine()
const session = useSession()
const value = ref('1')
const { failed, attempt } = useAttempt()
const run = () => attempt(() => engine.setPoint(`route:${props.route}/run`, Number(value.value)))
const alone = computed(() => engine.engine?.routesAlone.includes(props.route) === true)
const isOff = computed(() => engine.engine?.routesOff.includes(props.route) === true)
const turn = (part: string, on: boolean) => attempt(() => engine.setPoint(`route:${props.route}/${part}`, on ? 1 : 0))
const stop = () => attempt(() => engine.pressPoint(`route:${props.route}/stop`))
</script>

<template>
  <form v-if="session.mayOperate" class="try" aria-label="Try the route" @submit.prevent="run">
    <v-text-field v-model="value" type="number" step="any" label="Try it with the value" hide-details />
    <v-btn type="submit">Try it</v-btn>
    <v-btn @click="stop">Stop what it does later</v-btn>
    <v-btn :aria-pressed="isOff" @click="turn('enabled', isOff)">{{ isOff ? 'Let it act again' : 'Mute' }}</v-btn>
    <v-btn :aria-pressed="alone" @click="turn('solo', !alone)">{{ alone ? 'Let others act again' : 'Solo' }}</v-btn>
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
