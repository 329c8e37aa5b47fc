<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Master } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import LevelBar from './LevelBar.vue'
import { short, useProgramme } from './live'
import { usePointNames } from './names'
import { masterSentence } from './sentences'
import UsedBy from './UsedBy.vue'

/** One master: what it is over, where it stands, what it leaves. */
const props = defineProps<{ master: Master }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { masters } = useProgramme()
const { failed, attempt } = useAttempt()
const life = computed(() => masters.value.get(props.master.id))
const point = computed(() => `master:${props.master.id}`)
const { partName } = usePointNames()
const turn = (part: string, isOn: boolean | undefined) => void engine.setPoint(`${point.value}/${part}`, isOn ? 0 : 1)
const remove = () =>
  attempt(async () => {
    await show.remove('masters', props.master.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Master">
    <h2>{{ master.name }}</h2>
    <p>{{ masterSentence(master, partName) }}</p>
    <LevelBar
      class="level"
      :value="life?.level ?? 0"
      :to="life?.to"
      :label="`Level of ${master.name}`"
      note="%"
      :disabled="!session.mayOperate"
      @set="engine.setPoint(point, $event)"
    />
    <p class="small">
      It leaves <span class="figures">{{ short((life?.share ?? 1) * 100) }} %</span> of a light now.
    </p>
    <div v-if="session.mayOperate" class="actions">
      <v-btn @click="engine.pressPoint(`${point}/zero`)">To zero</v-btn>
      <v-btn @click="engine.pressPoint(`${point}/full`)">To full</v-btn>
      <v-btn @click="engine.pressPoint(`${point}/reset`)">Reset to {{ short(master.start ?? 100) }} %</v-btn>
      <v-btn :aria-pressed="life?.flashes" @click="turn('flash', life?.flashes)">{{
        life?.flashes ? 'End flash' : 'Flash'
      }}</v-btn>
      <v-btn :aria-pressed="life?.isAlone" @click="turn('solo', life?.isAlone)">{{ life?.isAlone ? 'End solo' : 'Solo' }}</v-btn>
    </div>
    <div v-if="session.mayBuild" class="actions">
      <v-btn @click="emit('change')">Change</v-btn><v-btn color="error" @click="remove">Delete</v-btn>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <UsedBy :id="master.id" kind="master" />
  </aside>
</template>

<style scoped>
.level {
  margin: 12px 0;
}
.head {
  margin: 16px 0 4px;
}
</style>
