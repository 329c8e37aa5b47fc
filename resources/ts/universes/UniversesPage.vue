<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import SlotStrip from '@/components/SlotStrip.vue'
import { onceLeft } from '@/kinds/halfFilled'
import { useEngine } from '@/live/engine'
import { mergeWords } from '@/components/words'
import CopiesPanel from './CopiesPanel.vue'
import { useSnapshot } from './snapshot'
import SelectionField from './SelectionField.vue'
import SlotGrid from './SlotGrid.vue'
import SlotPanel from './SlotPanel.vue'
import SourceTable from './SourceTable.vue'
import UniverseChoice from './UniverseChoice.vue'
import UniverseList from './UniverseList.vue'
import UniverseSettings from './UniverseSettings.vue'

const show = useShow()
const session = useSession()
const engine = useEngine()
const route = useRoute()
const router = useRouter()
const universe = computed(() => show.universes.find((one) => one.id === route.params.id) ?? show.universes[0] ?? null)
const id = computed(() => universe.value?.id ?? '')
const slot = ref(Math.min(512, Math.max(1, Number(route.query.slot) || 1)))
const text = ref('')
/** Slots that were chosen together, by Shift, by drawing over them, or by typing. */
const picked = ref<number[]>([])
const raisedOnly = ref(false)
/** Where there is no room beside the grid: whether what a slot has comes up from below. */
const testing = ref(route.query.slot !== undefined)
const shown = ref('')
const form = ref<'none' | 'add' | 'edit'>('none')
const panel = ref<InstanceType<typeof SlotPanel> | null>(null)
engine.follow(() => (id.value ? [`levels:${id.value}`, `sources:${id.value}`] : []))
watch(
  id,
  (now) => {
    shown.value = `levels:${now}`
    form.value = 'none'
    picked.value = []
  },
  { immediate: true },
)
watch(
  () => engine.sources[id.value]?.sources.length,
  () => {
    shown.value = `levels:${id.value}`
  },
)
watch(slot, () => {
  text.value = ''
})
watch(
  () => route.query.slot,
  (now) => {
    if (now) slot.value = Math.min(512, Math.max(1, Number(now) || 1))
  },
)

const isList = computed(() => route.query.list === '1')
const { frozen, kept, differing, keep, end } = useSnapshot(id)
onUnmounted(end)

const whose = computed(() => {
  const place = shown.value.startsWith('source:') ? Number(shown.value.split(':').at(-1)) : -1
  return place < 0 ? 'Output levels' : `What ${engine.sources[id.value]?.sources[place]?.name ?? 'the source'} sends`
})
function done(next: string): void {
  form.value = 'none'
  void router.push(`/universes/${next}`)
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>{{ universe?.name ?? 'Universes' }}</h1>
      <span v-if="universe" class="quiet">{{ mergeWords(universe, show.portName) }}</span>
      <span class="spring" />
      <UniverseChoice v-if="show.universes.length > 1" :chosen="id" />
      <v-btn
        v-if="show.universes.length > 1"
        :aria-pressed="isList"
        @click="router.push(isList ? `/universes/${id}` : { path: `/universes/${id}`, query: { list: '1' } })"
        >{{ isList ? 'Show its levels' : 'All universes' }}</v-btn
      >
      <v-btn
        v-if="session.mayBuild && universe"
        @click="
          onceLeft(() => {
            form = 'edit'
          })
        "
        >Change</v-btn
      >
      <v-btn
        v-if="session.mayBuild"
        @click="
          onceLeft(() => {
            form = 'add'
          })
        "
        >Add a universe</v-btn
      >
    </div>
    <GoneNote
      :id="route.params.id"
      what="universe"
      :all="show.universes"
      path="/universes"
      :loaded="show.document !== undefined"
    />
    <p v-if="show.document && !universe && form === 'none'" class="empty">
      No universes yet. A universe is 512 slots: add one, then say on a port what feeds it and where it goes.
    </p>
    <div v-if="universe || form !== 'none'" class="split">
      <UniverseList v-if="universe && isList" :chosen="id" />
      <div v-else-if="universe">
        <ul class="numbers quiet">
          <li v-for="line in show.data?.numbering[id] ?? []" :key="line">{{ line }}</li>
        </ul>
        <SlotStrip :universe="id" :height="34" />
        <div class="over">
          <h2 class="whose">{{ whose }}</h2>
          <span v-if="kept" class="small" :class="differing ? 'differs' : 'quiet'"
            >{{ differing === 0 ? 'as' : `${differing} ${differing === 1 ? 'slot differs' : 'slots differ'} from` }} the snapshot
            of {{ kept.at }}</span
          >
          <span class="spring" />
          <button type="button" class="small-button" :aria-pressed="frozen" @click="frozen = !frozen">
            {{ frozen ? 'Resume' : 'Freeze' }}
          </button>
          <button type="button" class="small-button" @click="keep">{{ kept ? 'Keep new snapshot' : 'Keep snapshot' }}</button>
          <button v-if="kept" type="button" class="small-button" @click="kept = null">Stop comparing</button>
        </div>
        <SelectionField v-model:picked="picked" v-model:slot="slot" v-model:raised-only="raisedOnly" :universe="id" />
        <SlotGrid
          v-model="slot"
          v-model:picked="picked"
          :raised-only="raisedOnly"
          :universe="id"
          :shown="shown"
          :frozen="frozen"
          :against="kept?.levels ?? null"
          @write="text += $event"
          @hold="panel?.hold()"
          @release="panel?.release()"
          @click="testing = true"
        />
      </div>
      <div v-else />
      <SideSheet :open="form !== 'none' || testing" :closes="form === 'none'" class="side" @close="testing = false">
        <UniverseSettings
          v-if="form !== 'none'"
          :universe="form === 'edit' ? universe : null"
          @done="done"
          @gone="done('')"
          @cancel="form = 'none'"
        />
        <aside v-else-if="universe" class="panel" aria-label="Slot">
          <SlotPanel ref="panel" v-model:text="text" :universe="id" :slot-number="slot" />
          <hr class="rule" />
          <SourceTable v-model="shown" :universe="id" />
          <hr class="rule" />
          <CopiesPanel :universe="id" />
        </aside>
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.numbers {
  list-style: none;
  font-size: 13px;
  margin-bottom: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  padding: 0;
}
.over {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 10px 0 6px;
}
.over .whose {
  font-size: 13px;
  color: var(--quiet);
}
.over .spring {
  flex: 1;
}
.differs {
  color: var(--held);
  font-weight: 600;
}
.side {
  position: sticky;
  top: 0;
}
@media (max-width: 900px) {
  .side {
    position: absolute;
    top: auto;
  }
}
.split {
  grid-template-columns: minmax(0, 1fr) 360px;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
