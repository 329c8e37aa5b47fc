<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Port } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import { healthWords, spellProtocol, spellRate } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { Look } from './draft'
import LendingPanel from './LendingPanel.vue'
import OutThere from './OutThere.vue'
import PortDetail from './PortDetail.vue'
import PortForm from './PortForm.vue'
import TwoBoxes from './TwoBoxes.vue'

type Side = 'none' | 'add' | 'edit' | 'check'
const show = useShow()
const session = useSession()
const engine = useEngine()
const route = useRoute()
const router = useRouter()
engine.follow(() => ['minutes', 'finds'])
const asked = (): Side => (route.query.add ? 'add' : route.query.check ? 'check' : 'none')
const look = ref<Look | undefined>()
const side = ref<Side>(asked())
watch(() => [route.params.id, route.query.add, route.query.check], () => { side.value = asked() })
const chosen = computed<Port | null>(() => show.ports.find((port) => port.id === route.params.id) ?? show.ports[0] ?? null)
const unsent = computed(() => (show.data?.unsent ?? {}) as Record<string, string[]>)

function rates(port: Port): string {
  const life = engine.ports[port.id]
  return [port.receive ? `in ${spellRate(life?.in ?? 0).split(' ')[0]}` : '', port.send ? `out ${spellRate(life?.out ?? 0).split(' ')[0]}` : ''].filter(Boolean).join(' ')
}
/** The state's own word says already that nothing was heard. */
function rowWords(port: Port): string {
  const life = engine.ports[port.id]
  return life?.state === 'waiting' && life.connected.length === 0 ? '' : healthWords(life, port)
}
function add(what?: Look): void {
  look.value = what
  side.value = 'add'
}
function done(id: string): void {
  side.value = 'none'
  void router.push(`/ports/${id}`)
}
function back(): void {
  side.value = 'none'
  if (route.query.add || route.query.check) void router.replace(route.path)
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Ports</h1><span class="spring" />
      <span class="quiet figures">We are {{ show.data?.adapters.map((one) => one.address).join(', ') }}</span>
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" @click="add()">Add a port</v-btn>
    </div>
    <div class="beside">
      <div class="list">
        <p v-if="show.document && show.ports.length === 0" class="empty">No ports yet. Add one for each thing outside us: a desk, dimmers, a tablet. What says on the network that it is there stands under "Out there".</p>
        <button v-for="port in show.ports" :key="port.id" type="button" class="row-button" :aria-current="chosen?.id === port.id" @click="router.push(`/ports/${port.id}`)">
          <span class="row">
            <strong>{{ port.name }}</strong>
            <span class="quiet">{{ spellProtocol(port.protocol) }}</span>
            <span class="rate"><span class="figures">{{ rates(port) }}</span> a second</span>
          </span>
          <span class="where" :class="{ wrong: ['lost', 'fault'].includes(engine.ports[port.id]?.state ?? '') }"><StateMark :state="engine.ports[port.id]?.state ?? 'waiting'" words class="state" /> {{ rowWords(port) }}</span>
          <span class="where quiet">{{ show.data?.places[port.id] }}</span>
          <span v-if="unsent[port.id]" class="where wrong">Not sent, as there is no room: {{ unsent[port.id]?.join(', ') }}</span>
        </button>
      </div>
      <PortForm v-if="side === 'add'" :key="look ?? 'new'" :port="null" :look="look" @done="done" @cancel="back" />
      <PortForm v-else-if="side === 'edit' && chosen" :key="chosen.id" :port="chosen" @done="done" @cancel="back" />
      <TwoBoxes v-else-if="side === 'check' && chosen" :key="`check ${chosen.id}`" :port="chosen" @done="back" />
      <PortDetail v-else-if="chosen" :key="chosen.id" :port="chosen" @edit="side = 'edit'" @check="side = 'check'" @gone="router.push('/ports')" />
      <div v-else />
      <aside class="third">
        <OutThere @made="done" @look="add" />
        <LendingPanel />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.beside { display: grid; grid-template-columns: minmax(0, 1fr) 420px 248px; gap: 20px; align-items: start; }
.row { display: flex; gap: 8px; align-items: baseline; }
.state { font-weight: 600; margin-right: 4px; vertical-align: text-bottom; }
.row > span { font-size: 13px; white-space: nowrap; }
.rate { margin-left: auto; }
.sized { container-type: size; }
.beside > .panel, .third { position: sticky; top: 0; max-height: calc(100cqh - 44px); overflow: auto; }
.where { display: block; font-size: 13px; margin-top: 2px; overflow-wrap: anywhere; }
@media (max-width: 1150px) { .beside { grid-template-columns: minmax(0, 1fr) 400px; } .third { grid-column: 1 / -1; } }
@media (max-width: 900px) { .beside { grid-template-columns: 1fr; } .beside > .panel, .third { position: static; max-height: none; } }
</style>
