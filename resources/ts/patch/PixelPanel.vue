<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type PixelLayout, type PixelMap } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import ColourField from './ColourField.vue'
import PixelPicture from './PixelPicture.vue'
import { spellPixelSlots } from './pixels'

/** One pixel map: which pixel is which slot, a dot that shows how it is wired, and a colour for all of it. */
const props = defineProps<{ map: PixelMap }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const layout = ref<PixelLayout | null>(null)
watch(
  () => props.map,
  async (map) => {
    const found = await show.layoutOf(map)
    if (map === props.map) layout.value = found
  },
  { immediate: true },
)
const count = computed(() => layout.value?.places?.length ?? 0)
const dot = computed(() => `dot:${props.map.id}`)
const speed = computed(() => `${dot.value}/speed`)
engine.follow(() => [`points:${dot.value}`, `points:${speed.value}`])
const lit = computed(() => Number(engine.points[dot.value] ?? 0))
const isRunning = computed(() => Number(engine.points[speed.value] ?? 0) > 0)
const pace = ref(5)
const typed = ref(1)
/** What is looked at: the dot, or where somebody pointed. */
const looked = computed(() => lit.value || typed.value)
const set = (point: string, value: number) =>
  attempt(async () => {
    await engine.setPoint(point, value)
  })
function stand(pixel: number): void {
  typed.value = Math.max(1, Math.min(count.value, Math.round(pixel) || 1))
  if (session.mayOperate && lit.value > 0) void set(dot.value, typed.value)
}
const step = (by: -1 | 1) => void set(dot.value, ((looked.value - 1 + by + count.value) % count.value) + 1)
const run = () => void set(speed.value, isRunning.value ? 0 : pace.value)
function changePace(): void {
  if (isRunning.value) void set(speed.value, pace.value)
}
const universe = (place: number) => show.universeName(props.map.universes?.[place] ?? '')
const spelled = computed(() => {
  const [place, slots] = [layout.value?.places?.[looked.value - 1], layout.value?.slots?.[looked.value - 1]]
  if (!place || !slots) return ''
  const where = props.map.layout.kind === 'rectangle' ? `column ${place[0] + 1}, row ${place[1] + 1}; ` : ''
  return `${where}${spellPixelSlots(slots, universe)}`
})
const spans = computed(() => (show.data?.patch ?? []).filter((one) => one.pixels?.map === props.map.id))
const remove = () =>
  attempt(async () => {
    await show.remove('pixels', props.map.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Pixel map">
    <h2>{{ map.name }}</h2>
    <p class="quiet">
      <template v-if="map.place">{{ map.place }}, </template>{{ layout?.counts }}, {{ (map.order ?? 'rgb').toUpperCase() }}
    </p>
    <p v-for="one in spans.filter((span) => span.shares.length)" :key="one.universe" class="wrong small">
      In {{ show.universeName(one.universe) }} it shares slots with {{ one.shares.map((other) => other.name).join(', ') }}.
    </p>
    <PixelPicture v-if="layout && !layout.problem" :layout="layout" :chosen="looked" :lit="lit" @choose="stand" />
    <p class="reads" aria-live="polite">
      <label
        >Pixel
        <input
          type="number"
          class="inline-field"
          min="1"
          :max="count"
          :value="looked"
          aria-label="Pixel"
          @change="stand(Number(($event.target as HTMLInputElement).value))"
      /></label>
      <span class="figures small">{{ spelled }}</span>
    </p>
    <fieldset v-if="session.mayOperate && count" class="bare dot">
      <legend>A dot on the line</legend>
      <v-btn :variant="isRunning ? 'flat' : 'outlined'" :color="isRunning ? 'primary' : undefined" @click="run">{{
        isRunning ? 'Stop here' : 'Run'
      }}</v-btn>
      <v-btn aria-label="One pixel back" @click="step(-1)">Back</v-btn>
      <v-btn aria-label="One pixel on" @click="step(1)">On</v-btn>
      <label class="small"
        >Pixels a second
        <select v-model.number="pace" class="inline-field" @change="changePace">
          <option v-for="one in [1, 2, 5, 10, 25, 50]" :key="one" :value="one">{{ one }}</option>
        </select></label
      >
      <v-btn v-if="lit" @click="set(dot, 0)">Let it go</v-btn>
    </fieldset>
    <p v-if="lit" class="small held">All pixels are held dark but number {{ lit }}. Let go, they are exactly as they were.</p>
    <ColourField :fixtures="[]" :pixels="[map.id]" />
    <ul class="small figures plain-list">
      <li v-for="one in spans" :key="one.universe">
        {{ show.universeName(one.universe) }} {{ one.first }}–{{ one.last }}
        <span class="quiet">{{ (show.data?.numbering[one.universe] ?? []).slice(0, 1).join('') }}</span>
      </li>
    </ul>
    <p v-if="map.note" class="small">{{ map.note }}</p>
    <div v-if="session.mayBuild" class="actions">
      <v-btn @click="emit('change')">Change</v-btn><v-btn color="error" @click="remove">Delete</v-btn>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
  </aside>
</template>

<style scoped>
.reads,
.dot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 10px 0;
}
.reads input {
  width: 76px;
}
.dot > .v-btn {
  padding: 0 11px;
}
.held {
  color: var(--held);
}
.plain-list {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
</style>
