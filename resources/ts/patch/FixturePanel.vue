<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Fixture } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import ColourField from './ColourField.vue'
import DipPicture from './DipPicture.vue'
import { freeFor, spanOf } from './fixtures'
import LevelRows from './LevelRows.vue'
import WhyDark from './WhyDark.vue'

/** One fixture: where it listens, what is set at it, what leaves to it; it is lit and let go. */
const props = defineProps<{ fixture: Fixture }>()
const emit = defineEmits<{ change: []; gone: []; cloned: [id: string] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const patched = computed(() => show.data?.patch.find((one) => one.id === props.fixture.id))
const mode = computed(
  () =>
    show.profiles.find((one) => one.id === props.fixture.profile)?.modes?.find((one) => one.id === props.fixture.mode)?.name ??
    '',
)
const hasColour = computed(() => show.footprintOf(props.fixture.profile, props.fixture.mode).some((one) => one.kind === 'colour'))
const light = computed(() => `light:${props.fixture.id}`)
engine.follow(() => [`points:${light.value}`])
const isLit = computed(() => engine.points[light.value] === 1)
const turnLight = () =>
  attempt(async () => {
    await engine.setPoint(light.value, isLit.value ? 0 : 1)
  })
/** One key lights it and lets it go, while nobody is writing. */
function pressed(event: KeyboardEvent): void {
  const writing =
    (event.target as HTMLElement).closest('input:not([type="range"]), textarea, select, .v-overlay__content') !== null
  if (event.key.toLowerCase() !== 'l' || writing || event.ctrlKey || event.metaKey || event.altKey || !session.mayOperate) return
  event.preventDefault()
  void turnLight()
}
onMounted(() => window.addEventListener('keydown', pressed))
onUnmounted(() => window.removeEventListener('keydown', pressed))
const numberings = ref<string[]>([])
watch(
  () => [props.fixture.universe, props.fixture.first, show.data?.revision],
  async () => {
    const { universe, first } = props.fixture
    numberings.value = (await show.readAddress(String(first), universe)).ways[0]?.numberings ?? []
  },
  { immediate: true },
)
const remove = () =>
  attempt(async () => {
    await show.remove('fixtures', props.fixture.id)
    emit('gone')
  })
const clone = () =>
  attempt(async () => {
    const one = patched.value
    const free = one ? freeFor(show.patchOf(one.universe), one.last - one.first + 1) : null
    if (!one || free === null)
      throw new Error('There is no room for another one in this universe. Change the address of a copy instead.')
    const answer = await show.deed({ kind: 'clone', fixture: one.id, universe: one.universe, first: free })
    emit('cloned', answer.ids?.[0] ?? '')
  })
</script>

<template>
  <aside class="panel" aria-label="Fixture">
    <h2>{{ fixture.name }}</h2>
    <p class="quiet">
      <template v-if="fixture.number">No. {{ fixture.number }}, </template
      ><template v-if="fixture.mark">{{ fixture.mark }}, </template><template v-if="fixture.place">{{ fixture.place }}, </template
      >{{ patched?.profile }}{{ mode ? `, ${mode}` : '' }}
    </p>
    <p v-if="patched">
      {{ show.universeName(fixture.universe) }}, <strong class="figures">{{ spanOf(patched) }}</strong>
    </p>
    <p v-for="one in patched?.shares ?? []" :key="one.id" :class="one.meant ? 'quiet small' : 'wrong'">
      Shares slots with {{ one.name }}{{ one.meant ? ', as it is meant to' : ': move one of them, or say that it is meant' }}.
    </p>
    <p v-if="fixture.note" class="small">{{ fixture.note }}</p>
    <div class="actions">
      <v-btn
        :variant="isLit ? 'flat' : 'outlined'"
        :color="isLit ? 'primary' : undefined"
        :disabled="!session.mayOperate"
        @click="turnLight"
        >{{ isLit ? 'Let it go' : 'Light it' }}</v-btn
      >
      <v-btn :to="{ path: `/universes/${fixture.universe}`, query: { slot: fixture.first } }">Test it by hand</v-btn>
      <template v-if="session.mayBuild"
        ><v-btn @click="emit('change')">Change</v-btn><v-btn @click="clone">Clone</v-btn
        ><v-btn color="error" @click="remove">Delete</v-btn></template
      >
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <WhyDark :fixture="fixture" />
    <ColourField v-if="hasColour" :fixtures="[fixture.id]" />
    <LevelRows :key="fixture.id" :fixture="fixture" class="levels" />
    <details class="small">
      <summary>
        What is set at the fixture: address {{ String(fixture.first).padStart(3, '0') }}{{ mode ? `, ${mode}` : '' }}
      </summary>
      <ul>
        <li v-for="words in numberings" :key="words">{{ words }}</li>
      </ul>
      <DipPicture :address="fixture.first" />
    </details>
  </aside>
</template>

<style scoped>
.actions {
  margin: 12px 0;
}
.actions > * {
  padding: 0 11px;
}
.levels {
  margin-bottom: 12px;
}
summary {
  cursor: pointer;
}
</style>
