<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'
import { spellSlots } from '@/components/slots'

/** What the chosen slot means to its fixture, and a hand level for the whole parameter, however many slots it takes. */
const props = defineProps<{ universe: string; slotNumber: number }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const percent = ref('')
const here = computed(() =>
  show
    .patchOf(props.universe)
    .filter((one) => one.first <= props.slotNumber && props.slotNumber <= one.last)
    .flatMap((fixture) =>
      show
        .parametersOf(fixture.id)
        .filter((one) => !one.virtual && one.slots.includes(props.slotNumber))
        .map((parameter) => ({ fixture, parameter })),
    ),
)
const one = computed(() => here.value[0])
watch(
  () => [props.universe, props.slotNumber],
  () => {
    percent.value = ''
  },
)
const wide = computed(() => one.value?.parameter.slots.length ?? 1)
const valid = computed(() => percent.value.trim() !== '' && Number(percent.value) >= 0 && Number(percent.value) <= 100)
function hold(value: number): void {
  if (one.value) void engine.holdParameter(one.value.fixture.id, one.value.parameter.key, value)
}
const release = () => one.value && void engine.release(props.universe, props.slotNumber)
</script>

<template>
  <div v-if="one" class="parameter">
    <p>
      <strong>{{ one.fixture.name }}: {{ one.parameter.name }}</strong>
      <span class="quiet small">{{ wide === 1 ? '' : `slots ${spellSlots(one.parameter.slots)}, ${wide * 8} bit` }}</span>
    </p>
    <p v-if="here.length > 1" class="wrong small">
      Also
      {{
        here
          .slice(1)
          .map((other) => `${other.fixture.name}: ${other.parameter.name}`)
          .join(', ')
      }}
    </p>
    <form @submit.prevent="hold(Number(percent) / 100)">
      <v-text-field v-model="percent" type="number" step="any" label="Parameter at, per cent" :disabled="!session.mayOperate" />
      <v-btn type="submit" :disabled="!session.mayOperate || !valid">Hold it</v-btn>
      <v-btn :disabled="!session.mayOperate" @click="release">Release</v-btn>
    </form>
  </div>
</template>

<style scoped>
.parameter {
  border-top: 1px solid var(--rule);
  margin-top: 10px;
  padding-top: 8px;
}
form {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 8px;
  margin-top: 6px;
  align-items: center;
}
form .v-btn {
  padding: 0 12px;
  min-width: 0;
}
</style>
