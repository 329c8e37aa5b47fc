<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Wave } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import { useProgramme } from './live'
import { usePointNames } from './names'
import WavePicture from './WavePicture.vue'
import { waveSentence } from './waves'
import LiveNumber from '@/components/LiveNumber.vue'
import UsedBy from './UsedBy.vue'

/** One wave: what it does, its fields as they stand now, and where it is used. */
const props = defineProps<{ wave: Wave }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { news } = useProgramme()
const { nameOf } = usePointNames()
const { failed, attempt } = useAttempt()
const life = computed(() => news.value?.waves.find((one) => one.id === props.wave.id))
const point = computed(() => `wave:${props.wave.id}`)
const fields = computed(
  () =>
    [
      { name: 'rate', label: props.wave.unit === 'beats' ? 'Beats a turn' : 'Turns a second', step: 0.01 },
      { name: 'size', label: 'Size (%)', step: 1 },
      { name: 'centre', label: 'Centre (%)', step: 1 },
      { name: 'phase', label: 'Phase (°)', step: 5 },
    ] as const,
)
const set = (name: string, value: number) => void engine.setPoint(`${point.value}/${name}`, value)
const remove = () =>
  attempt(async () => {
    await show.remove('waves', props.wave.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Wave">
    <h2>{{ wave.name }}</h2>
    <p>{{ waveSentence(wave, nameOf) }}</p>
    <p v-if="wave.note" class="small quiet">{{ wave.note }}</p>
    <WavePicture :wave="wave" class="picture" />
    <div v-if="session.mayOperate" class="actions">
      <v-btn v-if="life?.isOn" variant="flat" color="primary" @click="engine.setPoint(point, 0)">Stop</v-btn>
      <v-btn v-else variant="flat" color="primary" @click="engine.setPoint(point, 1)">Start</v-btn>
      <v-btn @click="engine.pressPoint(`${point}/restart`)">Restart</v-btn>
      <template v-if="session.mayBuild">
        <v-btn @click="emit('change')">Change</v-btn><v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <h3 class="head">Now</h3>
    <div class="now">
      <label v-for="field in fields" :key="field.name" class="small"
        >{{ field.label }}
        <LiveNumber
          :value="life?.[field.name]"
          :step="field.step"
          :disabled="!session.mayOperate"
          @set="set(field.name, $event)"
        />
      </label>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <UsedBy :id="wave.id" kind="wave" />
  </aside>
</template>

<style scoped>
.picture {
  margin: 12px 0 0;
}
.head {
  margin: 16px 0 4px;
}
.now {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 16px;
}
.now label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.now input {
  width: 96px;
}
</style>
