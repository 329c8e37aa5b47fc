<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useBase } from '@/api/base'
import { useShow, type LevelSpan, type Shape, type SlotSpan, type Swap, type Universe } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import SpanRows from '@/components/SpanRows.vue'
import ShapeRows from './ShapeRows.vue'

const props = defineProps<{ universe: Universe | null }>()
const emit = defineEmits<{ done: [id: string], gone: [], cancel: [] }>()
const show = useShow()
const base = useBase()
const name = ref('')
const merge = ref<NonNullable<Universe['merge']>>('htp')
const latest = ref<SlotSpan[]>([])
const chosen = ref('')
const whenLost = ref<NonNullable<Universe['whenLost']>>('hold')
const fadeSeconds = ref(3)
const look = ref<LevelSpan[]>([])
const shapes = ref<Shape[]>([])
const swaps = ref<Swap[]>([])
const { failed, attempt } = useAttempt()
const copy = <T>(list: T[] | undefined): T[] => (list ?? []).map((one) => ({ ...one }))
// Another universe, not another edit of this one: what is half typed stays.
watch(() => props.universe?.id, () => {
  const now = props.universe
  base.begin()
  name.value = now?.name ?? ''
  merge.value = now?.merge ?? 'htp'
  latest.value = copy(now?.latest)
  chosen.value = now?.chosen ?? ''
  whenLost.value = now?.whenLost ?? 'hold'
  fadeSeconds.value = now?.fadeSeconds ?? 3
  look.value = copy(now?.look)
  shapes.value = copy(now?.shapes)
  swaps.value = copy(now?.swaps)
}, { immediate: true })
const losses = [{ value: 'hold', title: 'its last levels stay' }, { value: 'fade', title: 'it fades to black, or to a look' }, { value: 'stop', title: 'nothing more is sent' }]
const rules = [
  { value: 'htp', title: 'HTP: highest takes precedence' },
  { value: 'ltp', title: 'LTP: latest takes precedence' },
  { value: 'slot', title: 'Slot by slot: HTP, or LTP' },
  { value: 'chosen', title: 'Only the sources of one chosen port' },
]
const feeding = computed(() => show.ports.filter((port) => port.receive?.feeds?.some((link) => link.universe === props.universe?.id)))

const save = () => attempt(async () => {
  const part = {
    name: name.value, merge: merge.value, whenLost: whenLost.value, fadeSeconds: Number(fadeSeconds.value),
    ...(merge.value === 'slot' ? { latest: latest.value } : {}),
    ...(merge.value === 'chosen' ? { chosen: chosen.value } : {}),
    ...(whenLost.value === 'fade' && look.value.length > 0 ? { look: look.value } : {}),
    ...(shapes.value.length > 0 ? { shapes: shapes.value } : {}),
    ...(swaps.value.length > 0 ? { swaps: swaps.value } : {}),
  }
  const id = props.universe?.id
  if (id) await base.save((at) => show.replace('universes', id, part, at))
  emit('done', id ?? (await show.add('universes', part)).id ?? '')
})
const remove = () => attempt(async () => {
  await show.remove('universes', props.universe?.id ?? '')
  emit('gone')
})
</script>

<template>
  <form class="panel" aria-label="Universe" @submit.prevent="save">
    <h2>{{ universe ? `Change ${universe.name}` : 'New universe' }}</h2>
    <v-text-field v-model="name" label="Name" autofocus />
    <v-select v-model="merge" :items="rules" label="Sources of equal priority" />
    <SpanRows v-if="merge === 'slot'" v-model="latest as never" title="Slots where the latest takes precedence, besides those of the patch that are no intensity" add="Add a run of slots" />
    <v-select v-if="merge === 'chosen'" v-model="chosen" :items="feeding" item-title="name" item-value="id" label="The chosen port" no-data-text="No port feeds this universe yet" />
    <p class="quiet small">The highest priority always wins first. A port can be a last resort: it leads only when the others are gone.</p>
    <v-select v-model="whenLost" :items="losses" label="When its last source is gone" />
    <template v-if="whenLost === 'fade'">
      <v-text-field v-model.number="fadeSeconds" type="number" step="any" label="Fade time in seconds, 0 to 3600" />
      <SpanRows v-model="look as never" title="Look that it fades to; none for black" value="level" value-label="Level" :most="255" add="Add a run of slots" />
    </template>
    <ShapeRows v-model:shapes="shapes" v-model:swaps="swaps" />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary">{{ universe ? 'Save' : 'Add the universe' }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
      <v-btn v-if="universe" color="error" @click="remove">Delete</v-btn>
    </div>
  </form>
</template>

<style scoped>
form { display: grid; gap: 12px; }
</style>
