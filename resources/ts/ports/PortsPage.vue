<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Port } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import StateMark from '@/components/StateMark.vue'
import { healthWords, spellProtocol, spellRate, stateWords } from '@/components/words'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'
import type { PortState } from '@/live/types'
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
watch(
  () => [route.params.id, route.query.add, route.query.check],
  () => {
    side.value = asked()
  },
)
const chosen = computed<Port | null>(() => show.ports.find((port) => port.id === route.params.id) ?? show.ports[0] ?? null)
const unsent = computed(() => (show.data?.unsent ?? {}) as Record<string, string[]>)

const byId = computed(() => new Map(show.ports.map((port) => [port.id, port])))
const stateOf = (id: string): PortState => engine.ports[id]?.state ?? 'waiting'
const protocolOf = (id: string) => spellProtocol(byId.value.get(id)?.protocol ?? 'osc')
const rows = computed<Row[]>(() =>
  show.ports.map((port) => ({
    id: port.id,
    name: port.name,
    text: `${port.id} ${spellProtocol(port.protocol)} ${show.data?.places[port.id] ?? ''}`,
    state: stateWords(stateOf(port.id)),
  })),
)

function rates(id: string): string {
  const port = byId.value.get(id)
  const life = engine.ports[id]
  return [
    port?.receive ? `in ${spellRate(life?.in ?? 0).split(' ')[0]}/s` : '',
    port?.send ? `out ${spellRate(life?.out ?? 0).split(' ')[0]}/s` : '',
  ]
    .filter(Boolean)
    .join(' ')
}
/** What is wrong comes first; that nothing was heard says the state's own word already. */
function rowWords(id: string): string {
  const port = byId.value.get(id)
  if (!port) return ''
  if (unsent.value[id]) return `not sent, as there is no room: ${unsent.value[id].join(', ')}`
  const life = engine.ports[id]
  return life?.state === 'waiting' && life.connected.length === 0 ? '' : healthWords(life, port)
}
function add(what?: Look): void {
  void onceLeft(() => {
    look.value = what
    side.value = 'add'
  })
}
function done(id: string): void {
  side.value = 'none'
  void router.push(`/ports/${id}`)
}
function close(): void {
  side.value = 'none'
  void router.push('/ports')
}
function back(): void {
  side.value = 'none'
  if (route.query.add || route.query.check) void router.replace(route.path)
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Ports</h1>
      <span class="spring" />
      <span class="quiet figures">We are {{ show.data?.adapters.map((one) => one.address).join(', ') }}</span>
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" @click="add()">Add a port</v-btn>
    </div>
    <GoneNote :id="route.params.id" what="port" :all="show.ports" path="/ports" :loaded="show.document !== undefined" />
    <div class="beside">
      <div class="list">
        <p v-if="show.document && show.ports.length === 0" class="empty">
          No ports yet. Add one for each thing outside us: a desk, dimmers, a tablet. What says on the network that it is there
          stands under "Found on the network".
        </p>
        <PartList v-else list="ports" what="ports" :rows="rows" :chosen="chosen?.id" @choose="router.push(`/ports/${$event}`)">
          <template #row="{ row }">
            <StateMark :state="stateOf(row.id)" words class="mark small" />
            <strong>{{ row.name }}</strong>
            <span class="quiet small protocol">{{ protocolOf(row.id) }}</span>
            <span class="words small" :class="{ wrong: ['lost', 'fault'].includes(stateOf(row.id)) }">{{
              rowWords(row.id)
            }}</span>
            <span class="figures small rate">{{ rates(row.id) }}</span>
          </template>
        </PartList>
      </div>
      <SideSheet :open="side !== 'none' || Boolean(route.params.id)" :closes="side === 'none' || side === 'check'" @close="close">
        <PortForm v-if="side === 'add'" :key="look ?? 'new'" :port="null" :look="look" @done="done" @cancel="back" />
        <PortForm v-else-if="side === 'edit' && chosen" :key="chosen.id" :port="chosen" @done="done" @cancel="back" />
        <TwoBoxes v-else-if="side === 'check' && chosen" :key="`check ${chosen.id}`" :port="chosen" @done="back" />
        <PortDetail
          v-else-if="chosen"
          :key="chosen.id"
          :port="chosen"
          @edit="side = 'edit'"
          @check="side = 'check'"
          @gone="router.push('/ports')"
        />
      </SideSheet>
      <aside class="third">
        <OutThere @made="done" @look="add" />
        <LendingPanel />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 376px 192px;
  gap: 16px;
  align-items: start;
}
.sized {
  container-type: size;
}
.beside > * {
  max-height: calc(100cqh - 52px);
}
.beside > .sheet,
.third {
  overflow: auto;
}
.list {
  display: flex;
  min-width: 0;
}
.list > * {
  flex: 1;
}
.mark {
  min-width: 88px;
  font-weight: 600;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 1;
}
.rate {
  margin-left: auto;
  white-space: pre;
}
@media (max-width: 1150px) {
  .beside {
    grid-template-columns: minmax(0, 1fr) 400px;
  }
  .third {
    grid-column: 1 / -1;
  }
}
@media (max-width: 900px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
  .beside > * {
    max-height: none;
  }
  .mark {
    min-width: 0;
  }
  .rate {
    order: 1;
  }
  .words {
    order: 2;
    flex-basis: 100%;
  }
}
@media (max-width: 700px) {
  .protocol {
    display: none;
  }
}
</style>
