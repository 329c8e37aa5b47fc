<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Port } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import { healthWords, spellNumber, spellProtocol, spellRate } from '@/components/words'
import { useEngine } from '@/live/engine'
import PortDetail from './PortDetail.vue'
import PortForm from './PortForm.vue'
import { usualPorts } from './draft'

const show = useShow()
const session = useSession()
const engine = useEngine()
const route = useRoute()
const router = useRouter()
engine.follow(() => ['minutes'])
const form = ref<'none' | 'add' | 'edit'>(route.query.add ? 'add' : 'none')
watch(() => [route.params.id, route.query.add], () => { form.value = route.query.add ? 'add' : 'none' })
const chosen = computed<Port | null>(() => show.ports.find((port) => port.id === route.params.id) ?? show.ports[0] ?? null)

function where(port: Port): string {
  const universes = (port.receive?.feeds ?? []).map((link) => `${spellNumber(port.protocol, link.number)} → ${show.universeName(link.universe)}`)
  const carried = (port.send?.carries ?? []).map((link) => `${show.universeName(link.universe)} → ${spellNumber(port.protocol, link.number)}`)
  const listens = port.receive ? [`listens at ${port.receive.address ?? '0.0.0.0'}:${port.receive.port ?? usualPorts[port.protocol].receive}`] : []
  const sends = port.send ? [`sends to ${port.send.to?.join(', ') || 'multicast'}:${port.send.port ?? usualPorts[port.protocol].send}`] : []
  return [...listens, ...universes, ...sends, ...carried].join(' · ')
}
function done(id: string): void {
  form.value = 'none'
  void router.push(`/ports/${id}`)
}
function cancel(): void {
  form.value = 'none'
  if (route.query.add) void router.replace('/ports')
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Ports</h1><span class="spring" />
      <span class="quiet figures">We are {{ show.data?.adapters.map((one) => one.address).join(', ') }}</span>
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" @click="form = 'add'">Add a port</v-btn>
    </div>
    <div class="split">
      <div>
        <p v-if="show.document && show.ports.length === 0" class="empty">No ports yet. Add one for each thing outside us: a desk, dimmers, a tablet.</p>
        <button v-for="port in show.ports" :key="port.id" type="button" class="row-button" :aria-current="chosen?.id === port.id" @click="router.push(`/ports/${port.id}`)">
          <span class="row">
            <StateMark :state="engine.ports[port.id]?.state ?? 'waiting'" words />
            <strong>{{ port.name }}</strong>
            <span class="quiet">{{ spellProtocol(port.protocol) }}</span>
            <span class="figures rate">{{ [port.receive ? `in ${spellRate(engine.ports[port.id]?.in ?? 0)}` : '', port.send ? `out ${spellRate(engine.ports[port.id]?.out ?? 0)}` : ''].filter(Boolean).join(', ') }}</span>
          </span>
          <span class="where quiet figures">{{ where(port) }}</span>
          <span class="where">{{ healthWords(engine.ports[port.id], port) }}</span>
        </button>
      </div>
      <PortForm v-if="form === 'add'" :port="null" @done="done" @cancel="cancel" />
      <PortForm v-else-if="form === 'edit' && chosen" :key="chosen.id" :port="chosen" @done="done" @cancel="cancel" />
      <PortDetail v-else-if="chosen" :key="chosen.id" :port="chosen" @edit="form = 'edit'" @gone="router.push('/ports')" />
    </div>
  </div>
</template>

<style scoped>
.row { display: grid; grid-template-columns: 150px minmax(0, auto) 1fr auto; gap: 12px; align-items: center; }
.rate { font-size: 13px; }
.where { display: block; font-size: 13px; margin-top: 2px; }
</style>
