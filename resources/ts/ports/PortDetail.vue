<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type OtherEndLine, type Port } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import StateMark from '@/components/StateMark.vue'
import { healthWords, isSwitchedLive, spellProtocol } from '@/components/words'
import { useEngine } from '@/live/engine'
import CrossingPicture from './CrossingPicture.vue'
import OtherEnd from './OtherEnd.vue'
import PortOutages from './PortOutages.vue'
import PortVitals from './PortVitals.vue'

const props = defineProps<{ port: Port }>()
const emit = defineEmits<{ edit: []; check: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const life = computed(() => engine.ports[props.port.id])
const strays = computed(() => engine.unclaimed.filter((one) => one.ports.includes(props.port.id)))
const crosses = computed(() => props.port.protocol === 'osc' && (props.port.link?.kind ?? 'udp') === 'udp')
const unsent = computed(() => show.data?.unsent[props.port.id] ?? [])
const asking = ref(false)
const { failed, attempt } = useAttempt()
const otherEnd = ref<OtherEndLine[]>([])
watch(
  () => [props.port.id, show.data?.revision],
  async ([id]) => {
    const { lines } = await show.otherEnd(props.port.id).catch(() => ({ lines: [] }))
    if (props.port.id === id) otherEnd.value = lines
  },
  { immediate: true },
)

async function remove(): Promise<void> {
  asking.value = false
  if (await attempt(() => show.remove('ports', props.port.id))) emit('gone')
}
/** A sender that is slower than the time-out drops out each time: a time-out that fits it. */
function raiseTimeOut(): void {
  const timeOut = life.value?.fitting
  void attempt(() => show.batch('ports', { ids: [props.port.id], set: { 'receive/timeOut': timeOut } }))
}
function turn(field: 'enabled' | 'receive' | 'send'): void {
  const { id, ...part } = props.port
  const side = field === 'enabled' ? undefined : part[field]
  const next =
    field === 'enabled'
      ? { ...part, enabled: part.enabled === false }
      : { ...part, [field]: { ...side, enabled: side?.enabled === false } }
  void attempt(() => show.replace('ports', id, next))
}
</script>

<template>
  <aside class="panel" aria-label="Port">
    <header>
      <h2>{{ port.name }}</h2>
      <span class="quiet">{{ spellProtocol(port.protocol) }}</span><StateMark :state="life?.state ?? 'waiting'" words />
    </header>
    <p :class="{ wrong: ['fault', 'lost', 'silent', 'unsteady'].includes(life?.state ?? '') }">{{ healthWords(life, port) }}</p>
    <p class="quiet small">{{ show.data?.places[port.id] }}</p>
    <p v-if="unsent.length" class="wrong">Not sent, as there is no room: {{ unsent.join(', ') }}</p>
    <p v-for="one in strays" :key="one.name + one.from" class="stray">
      {{ one.name }} arrives from {{ one.from }} and is not among the universes of this port. Off by one?
      <a href="#" @click.prevent="emit('check')">Check this link</a>
    </p>
    <CrossingPicture v-if="crosses" :port="port" />
    <p v-if="life?.fitting && session.mayBuild">
      <v-btn size="small" @click="raiseTimeOut">Raise the time-out to {{ life.fitting }} s</v-btn>
    </p>
    <PortVitals :port="port" />
    <PortOutages :port="port" />
    <div class="actions">
      <v-btn v-if="session.mayOperate" @click="emit('check')">Check connection</v-btn>
      <template v-if="session.mayBuild">
        <v-btn @click="emit('edit')">Change</v-btn>
        <v-btn v-if="isSwitchedLive(life, port)" @click="engine.setPoint(`port:${port.id}/enabled`, 1)">Switch on again</v-btn>
        <v-btn v-else @click="turn('enabled')">{{ port.enabled === false ? 'Switch on' : 'Switch off' }}</v-btn>
        <v-btn v-if="port.receive && port.send" @click="turn('receive')">{{
          port.receive.enabled === false ? 'Receive' : 'Stop receiving'
        }}</v-btn>
        <v-btn v-if="port.receive && port.send" @click="turn('send')">{{
          port.send.enabled === false ? 'Send' : 'Stop sending'
        }}</v-btn>
        <v-btn color="error" @click="asking = true">Delete</v-btn>
      </template>
    </div>
    <p v-if="asking">
      Delete "{{ port.name }}"? Ctrl+Z brings it back. <v-btn size="small" color="error" @click="remove">Delete it</v-btn>
      <v-btn size="small" @click="asking = false">Keep it</v-btn>
    </p>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <hr class="rule" />
    <OtherEnd :lines="otherEnd" :name="port.name" />
  </aside>
</template>

<style scoped>
header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin-bottom: 8px;
}
header .mark {
  margin-left: auto;
}
.stray {
  border-left: 3px solid var(--held);
  padding-left: 10px;
  margin-top: 8px;
}
.actions .v-btn {
  padding: 0 12px;
}
</style>
