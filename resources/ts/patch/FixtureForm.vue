<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { keyOf } from '@/api/patched'
import { useShow, type Fixture, type Values } from '@/api/show'
import PartFields from '@/kinds/PartFields.vue'
import PartForm from '@/kinds/PartForm.vue'
import AddressEntry from './AddressEntry.vue'
import ProfileChoice from './ProfileChoice.vue'
import { freeFor, nextNumber, slotsOf, under } from './fixtures'

/** A fixture, or several of a kind at once. */
const props = defineProps<{ fixture: Fixture | null; universe?: string; first?: number }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const draft = ref<Values>(
  props.fixture
    ? { ...props.fixture }
    : {
        profile: show.profiles[0]?.id,
        universe: props.universe ?? show.universes[0]?.id ?? '',
        first: props.first,
        number: nextNumber(show.fixtures),
      },
)
const several = ref({ count: 1, every: '', goesOn: false })
const profile = computed(() => show.profiles.find((one) => one.id === draft.value.profile))
const profileId = computed({
  get: () => draft.value.profile as string | undefined,
  set: (id) => {
    draft.value = { ...draft.value, profile: id }
  },
})
const modes = computed(() => profile.value?.modes ?? [])
const footprint = computed(() => show.footprintOf(String(draft.value.profile ?? ''), draft.value.mode as string | undefined))
/** It moves, and may hang otherwise than others. */
const canAim = computed(() => footprint.value.filter((one) => one.kind === 'position').length > 1)
const slots = computed(() => slotsOf(footprint.value))
const neighbours = computed(() => show.patchOf(String(draft.value.universe)).filter((one) => one.id !== props.fixture?.id))
const free = computed(() => freeFor(neighbours.value, slots.value * Math.max(1, several.value.count)))
// The next free address is offered, as long as a fixture is new and nobody has typed one.
let isOffered = !props.fixture && props.first === undefined
watch(
  free,
  (now) => {
    if (isOffered) draft.value.first = now ?? 1
  },
  { immediate: true },
)
watch(
  () => draft.value.profile,
  () => {
    draft.value.mode = modes.value.some((one) => one.id === draft.value.mode) ? draft.value.mode : modes.value[0]?.id
  },
  { immediate: true },
)
const address = computed(() => draft.value.first as number | undefined)
/** Who else listens to these slots. */
const shared = computed(() => under(neighbours.value, Number(draft.value.first ?? 0), slots.value))
const meant = computed(() => (draft.value.sharesWith ?? []) as string[])
function mean(id: string, isMeant: boolean): void {
  const others = meant.value.filter((one) => one !== id)
  draft.value.sharesWith = isMeant ? [...others, id] : others
}
function take(universe: string, slot: number): void {
  isOffered = false
  draft.value = { ...draft.value, universe, first: slot }
}
/** What was typed as an address, while it is being read; whether it says one place. */
let reading = Promise.resolve(true)
/** What was typed last is waited for; what shares no slots any more is not named any more. */
async function before(): Promise<Values | null> {
  if (!(await reading)) return null
  const others = ((draft.value.sharesWith ?? []) as string[]).filter((id) => shared.value.some((one) => keyOf(one) === id))
  return { ...draft.value, sharesWith: others }
}
type Own = { parameter: string; precedence?: string }
const own = computed(() => (draft.value.precedences ?? []) as Own[])
const precedenceOf = (key: string) => {
  const found = own.value.find((one) => one.parameter === key)
  return found ? (found.precedence ?? 'ltp') : ''
}
function setPrecedence(key: string, to: string): void {
  const others = own.value.filter((one) => one.parameter !== key)
  draft.value.precedences = to === '' ? others : [...others, { parameter: key, precedence: to }]
}
async function add(part: Values): Promise<{ id?: string }> {
  if (several.value.count < 2) return show.add('fixtures', part)
  const { name, number, mark, place, profile: of, mode, universe, first } = part
  const answer = await show.deed({
    ...{ kind: 'row', name, number, mark, place, profile: of, mode, universe, first },
    count: several.value.count,
    every: several.value.every === '' ? undefined : Number(several.value.every),
    goesOn: several.value.goesOn,
  })
  return { id: answer.ids?.[0] }
}
</script>

<template>
  <PartForm
    v-model="draft"
    list="fixtures"
    :part="fixture"
    :before="before"
    :add="add"
    :adds="several.count > 1 ? `Add ${several.count} fixtures` : undefined"
    @done="emit('done', $event)"
    @cancel="emit('cancel')"
  >
    <template #profile="{ fault }">
      <ProfileChoice v-model="profileId" :error-messages="fault('profile')" />
    </template>
    <template #mode="{ value, change, fault }">
      <v-select
        v-if="modes.length"
        :model-value="value"
        :items="modes"
        item-title="name"
        item-value="id"
        class="wide"
        label="Mode"
        :error-messages="fault('mode')"
        @update:model-value="change"
      />
      <span v-else hidden />
    </template>
    <template #first="{ fault }">
      <AddressEntry
        :universe="String(draft.universe ?? '')"
        :slot-number="address"
        :error-messages="fault('first')"
        :free="free"
        @change="take"
        @reading="reading = $event"
      />
      <p class="wide small">
        It takes {{ slots }} {{ slots === 1 ? 'slot' : 'slots'
        }}<template v-if="several.count < 2 && draft.first">, to {{ Number(draft.first) + slots - 1 }}</template
        >.
      </p>
      <fieldset v-if="shared.length" class="bare wide">
        <p v-for="one in shared" :key="one.id" class="small">
          <span :class="{ wrong: !meant.includes(keyOf(one)) }">{{ one.name }} listens to some of these slots too.</span>
          <label>
            <input
              type="checkbox"
              :checked="meant.includes(keyOf(one))"
              @change="mean(keyOf(one), ($event.target as HTMLInputElement).checked)"
            />
            It is meant
          </label>
        </p>
      </fieldset>
      <fieldset v-if="!fixture" class="bare wide several">
        <v-text-field v-model.number="several.count" type="number" min="1" max="512" label="How many" />
        <template v-if="several.count > 1">
          <v-text-field v-model="several.every" type="number" label="Every so many slots" :placeholder="String(slots)" />
          <v-switch v-model="several.goesOn" label="Go on in the next universe" />
        </template>
      </fieldset>
    </template>
    <template #sharesWith><span hidden /></template>
    <template #calibration="{ value, change, field, fault }">
      <details v-if="canAim" class="wide small">
        <summary>{{ field.label }}</summary>
        <p class="quiet">So that one joystick moves several alike; in the units of pan and tilt.</p>
        <div class="fields">
          <PartFields
            :model-value="(value ?? {}) as Values"
            :fields="field.part?.fields ?? []"
            :fault="fault"
            at="calibration/"
            @update:model-value="change"
          />
        </div>
      </details>
      <span v-else hidden />
    </template>
    <template #precedences="{ field }">
      <details v-if="fixture" class="wide small">
        <summary>{{ field.label }}{{ own.length ? ` (${own.length})` : '' }}</summary>
        <p v-for="one in footprint" :key="one.key">
          <label>
            {{ one.name }}:
            <select :value="precedenceOf(one.key)" @change="setPrecedence(one.key, ($event.target as HTMLSelectElement).value)">
              <option value="">as its profile says ({{ one.highest ? 'highest' : 'latest' }})</option>
              <option value="htp">highest</option>
              <option value="ltp">latest</option>
            </select>
          </label>
        </p>
      </details>
      <span v-else hidden />
    </template>
  </PartForm>
</template>

<style scoped>
.several {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  margin: 0;
}
.several > :nth-child(3) {
  grid-column: 1 / -1;
}
select {
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  min-height: 30px;
}
</style>
