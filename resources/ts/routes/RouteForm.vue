<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useShow, type Route, type Values } from '@/api/show'
import FormFrame from '@/kinds/FormFrame.vue'
import LearnPanel from '@/kinds/LearnPanel.vue'
import { likelyRange, type Learned } from '@/kinds/learn'
import { without } from '@/kinds/conflicts'
import { useStoring } from '@/kinds/storing'
import LongRouteForm from './LongRouteForm.vue'
import MessageFields from './MessageFields.vue'
import { addressOf, kindsFor, partIn, partsOf } from './messages'

const props = defineProps<{ route: Route | null }>()
const here = useRoute()
/** What it is to wait for, where somebody has chosen that already. */
const waitsFor = props.route ? null : partIn(here.query.when)
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const { store, wrong, busy, conflict } = useStoring('routes')
const from = props.route?.from
const to = props.route?.to
const message = from?.kind === 'message' ? from : to?.kind === 'message' ? to : null
const slot = from?.kind === 'slot' ? from : to?.kind === 'slot' ? to : null
const draft = ref({
  name: props.route?.name ?? '',
  enabled: props.route?.enabled ?? true,
  way: (props.route?.when || waitsFor ? 'long' : (from?.kind ?? 'message')) as 'message' | 'slot' | 'long',
  port: message?.port ?? show.ports.find((one) => ['osc', 'midi', 'controller'].includes(one.protocol))?.id ?? '',
  address: message?.address ?? '/',
  argument: (message && 'argument' in message ? message.argument : 1) ?? 1,
  type: (message && 'type' in message ? message.type : 'float') ?? 'float',
  low: message?.low ?? 0,
  high: message?.high ?? 1,
  universe: slot?.universe ?? show.universes[0]?.id ?? '',
  slot: slot?.slot ?? 1,
  slotLow: slot?.low ?? 0,
  slotHigh: slot?.high ?? 255,
})
const ports = computed(() =>
  show.ports.filter(
    (port) => ['osc', 'midi', 'controller'].includes(port.protocol) && (draft.value.way === 'message' ? port.receive : port.send),
  ),
)
const port = computed(() => show.ports.find((one) => one.id === draft.value.port))
/** Another protocol names its messages in another way. */
watch(
  () => port.value?.protocol,
  (protocol) => {
    const kind = kindsFor(protocol)[0]
    if (kind && !partsOf(protocol, draft.value.address)) {
      draft.value.address = addressOf(kind, 1, kind.from)
      span(kind.low, kind.high)
    }
  },
)
function span(low: number, high: number): void {
  draft.value.low = low
  draft.value.high = high
}
function take(what: Learned): void {
  draft.value.address = what.address
  draft.value.argument = what.argument
  const kind = partsOf(port.value?.protocol, what.address)?.kind
  const [low, high] = kind ? [kind.low, kind.high] : likelyRange(what.low, what.high)
  span(low, high)
  if (draft.value.name === '') draft.value.name = what.address
}
const ways = [
  { value: 'message', title: 'A message sets a slot' },
  { value: 'slot', title: 'A slot sends a message' },
  { value: 'long', title: 'Step by step: any message, point or event' },
]

async function save(): Promise<void> {
  const now = draft.value
  const toSlot = now.way === 'message'
  const messageEnd = {
    kind: 'message',
    port: now.port,
    address: now.address,
    ...(toSlot ? { argument: Number(now.argument) } : { type: now.type }),
    low: Number(now.low),
    high: Number(now.high),
  }
  const slotEnd = {
    kind: 'slot',
    universe: now.universe,
    slot: Number(now.slot),
    low: Number(now.slotLow),
    high: Number(now.slotHigh),
  }
  const part = {
    name: now.name,
    enabled: now.enabled,
    ...(props.route?.folder ? { folder: props.route.folder } : {}),
    ...(props.route?.note ? { note: props.route.note } : {}),
    from: toSlot ? messageEnd : slotEnd,
    to: toSlot ? slotEnd : messageEnd,
  }
  const id = await store(props.route?.id, part)
  if (id !== null) emit('done', id)
}
/** What was chosen field by field, of theirs and mine. */
async function choose(chosen: Values): Promise<void> {
  const id = await store(props.route?.id, without(chosen, 'id'))
  if (id !== null) emit('done', id)
}
</script>

<template>
  <LongRouteForm
    v-if="draft.way === 'long'"
    :route="route?.when ? route : null"
    :name="draft.name"
    :when="waitsFor"
    @done="emit('done', $event)"
    @cancel="emit('cancel')"
  >
    <v-select v-if="!route" v-model="draft.way" :items="ways" label="What it does" />
  </LongRouteForm>
  <FormFrame
    v-else
    name="Route"
    :title="route ? 'Change the route' : 'New route'"
    :save="route ? 'Save' : 'Add the route'"
    :wrong="wrong"
    :busy="busy"
    :conflict="conflict"
    :content="draft"
    @choose="choose"
    @save="save"
    @cancel="emit('cancel')"
  >
    <div class="fields">
      <v-text-field v-model="draft.name" label="Name" class="wide" autofocus />
      <v-select v-model="draft.way" :items="route ? ways.slice(0, 2) : ways" label="What it does" class="wide" />
      <v-switch v-model="draft.enabled" label="Enabled" class="wide" />
      <h3 class="wide">Message</h3>
      <v-select
        v-model="draft.port"
        :items="ports"
        item-title="name"
        item-value="id"
        label="Port"
        class="wide"
        no-data-text="Add an OSC, MIDI or controller port first"
      />
      <LearnPanel v-if="draft.way === 'message' && draft.port" :port="draft.port" @learned="take" />
      <MessageFields v-model:address="draft.address" :port="port" @span="span" />
      <v-text-field
        v-if="draft.way === 'message' && port?.protocol === 'osc'"
        v-model.number="draft.argument"
        type="number"
        label="Argument, from 1"
        class="wide"
      />
      <v-select
        v-else-if="port?.protocol === 'osc'"
        v-model="draft.type"
        :items="['float', 'int']"
        label="Sent as"
        class="wide"
      />
      <v-text-field v-model.number="draft.low" type="number" step="any" label="Minimum value" />
      <v-text-field v-model.number="draft.high" type="number" step="any" label="Maximum value" />
      <h3 class="wide">Slot</h3>
      <v-select v-model="draft.universe" :items="show.universes" item-title="name" item-value="id" label="Universe" />
      <v-text-field v-model.number="draft.slot" type="number" label="Slot, 1 to 512" />
      <v-text-field v-model.number="draft.slotLow" type="number" label="Minimum level, 0 to 255" />
      <v-text-field v-model.number="draft.slotHigh" type="number" label="Maximum level, 0 to 255" />
    </div>
  </FormFrame>
</template>
