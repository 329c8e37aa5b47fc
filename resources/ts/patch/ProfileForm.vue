<script setup lang="ts">
import { computed, ref } from 'vue'
import { type Parameter, type Profile, type Values } from '@/api/show'
import { useDescriptions } from '@/kinds/kinds'
import FormFrame from '@/kinds/FormFrame.vue'
import PartFields from '@/kinds/PartFields.vue'
import { tidied } from '@/kinds/parts'
import { useStoring } from '@/kinds/storing'
import { without } from '@/kinds/conflicts'
import { layoutOf, type CellBlock, type Meanings } from './layout'
import ParameterTable from './ParameterTable.vue'
import ProfileActions from './ProfileActions.vue'

/** What each slot of a kind of fixture means, in one mode or in several. */
const props = defineProps<{ profile: Profile | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const { store, fault, wrong, busy, conflict } = useStoring('profiles')
const descriptions = useDescriptions()
const fields = computed(() => descriptions.value?.lists.profiles.fields ?? [])
const draft = ref<Values>(
  props.profile
    ? (newer(JSON.parse(JSON.stringify(props.profile))) as Values)
    : { parameters: [{ name: 'level', slots: 1, role: 'dimmer' }] },
)
type Mode = NonNullable<Profile['modes']>[number]
const modes = computed(() => (draft.value.modes ?? []) as Mode[])
const place = ref(0)
const meanings = computed<Meanings>(() => modes.value[place.value] ?? (draft.value as Meanings))
const layout = computed(() => layoutOf(meanings.value))
const at = computed(() => (modes.value.length ? `modes/${place.value}/` : ''))

/** An older word for what a parameter is becomes the one of now. */
function newer(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(newer)
  if (value === null || typeof value !== 'object') return value
  const { intensity, ...rest } = value as { intensity?: boolean } & Values
  const kept = Object.fromEntries(Object.entries(rest).map(([name, one]) => [name, newer(one)]))
  return intensity && kept.kind === undefined ? { ...kept, kind: 'intensity' } : kept
}
function change(now: Partial<Meanings & { name: string }>): void {
  if (modes.value.length === 0) draft.value = { ...draft.value, ...now }
  else draft.value.modes = modes.value.map((one, i) => (i === place.value ? { ...one, ...now } : one))
}
const cells = computed<CellBlock[]>(() => meanings.value.cells ?? [])
const changeCells = (i: number, now: Partial<CellBlock>) =>
  change({ cells: cells.value.map((one, k) => (k === i ? { ...one, ...now } : one)) })
function addCells(): void {
  const id = `cell${cells.value.length > 0 ? `-${cells.value.length + 1}` : ''}`
  change({ cells: [...cells.value, { id, name: 'Cell', count: 4, parameters: [{ name: 'red', role: 'red' }] }] })
}
const meaningsOf = ({ parameters, cells, virtualIntensity }: Meanings) => ({
  parameters: parameters ?? [],
  cells,
  virtualIntensity,
})
/** One mode becomes the first of several; a further one begins as the one that is looked at. */
function addMode(): void {
  const copy = JSON.parse(JSON.stringify({ ...meaningsOf(meanings.value), cells: cells.value })) as Meanings
  const next = {
    id: `mode-${modes.value.length + (modes.value.length ? 1 : 2)}`,
    name: `Mode ${modes.value.length + (modes.value.length ? 1 : 2)}`,
    ...copy,
  } as Mode
  const before = modes.value.length ? modes.value : [{ id: 'mode-1', name: 'Mode 1', ...copy } as Mode]
  draft.value = { ...draft.value, parameters: undefined, cells: undefined, virtualIntensity: undefined, modes: [...before, next] }
  place.value = before.length
}
function removeMode(): void {
  const left = modes.value.filter((_, i) => i !== place.value)
  const [only] = left
  draft.value =
    left.length === 1 && only ? { ...draft.value, modes: undefined, ...meaningsOf(only) } : { ...draft.value, modes: left }
  place.value = 0
}
async function save(): Promise<void> {
  const id = await store(
    props.profile?.id,
    tidied(
      draft.value,
      fields.value.filter((one) => one.type !== 'id'),
    ),
  )
  if (id !== null) emit('done', id)
}
async function choose(chosen: Values): Promise<void> {
  const id = await store(props.profile?.id, without(chosen, 'id'))
  if (id !== null) emit('done', id)
}
const parameters = (value: Parameter[] | undefined) => value ?? []
</script>

<template>
  <FormFrame
    name="Profile"
    :title="profile ? `Change ${profile.name}` : 'New profile'"
    :save="profile ? 'Save' : 'Add the profile'"
    :wrong="wrong"
    :busy="busy"
    :conflict="conflict"
    :content="draft"
    @save="save"
    @choose="choose"
    @cancel="emit('cancel')"
  >
    <div class="fields about">
      <PartFields
        v-model="draft"
        :fields="fields"
        :without="['parameters', 'cells', 'modes', 'virtualIntensity']"
        :fault="fault"
      />
    </div>
    <div class="modes" role="group" aria-label="Modes">
      <button
        v-for="(mode, i) in modes"
        :key="i"
        type="button"
        class="small-button"
        :aria-pressed="i === place"
        @click="place = i"
      >
        {{ mode.name }}
      </button>
      <button type="button" class="small-button" @click="addMode">
        {{ modes.length ? 'Add a mode' : 'It has several modes' }}
      </button>
      <template v-if="modes.length">
        <label class="small"
          >Name
          <input
            :value="modes[place]?.name"
            class="inline-field"
            @input="change({ name: ($event.target as HTMLInputElement).value })"
        /></label>
        <button type="button" class="small-button" @click="removeMode">Take this mode out</button>
      </template>
      <span class="quiet small figures">{{ layout.slots }} {{ layout.slots === 1 ? 'slot' : 'slots' }}</span>
    </div>
    <ParameterTable
      :key="`${place}`"
      label="Parameters"
      :model-value="parameters(meanings.parameters)"
      :slots="layout.own"
      :fault="fault"
      :at="`${at}parameters/`"
      @update:model-value="change({ parameters: $event })"
    />
    <section v-for="(block, i) in cells" :key="i" class="cells" :aria-label="`Cells: ${block.name}`">
      <h3>
        Repeated: {{ block.count }} × {{ block.name }},
        <span class="figures">slots {{ Math.min(...(layout.cells[i]?.starts ?? [0])) }} and on</span>
      </h3>
      <div class="modes small">
        <label
          >Name
          <input
            :value="block.name"
            class="inline-field"
            size="10"
            @input="changeCells(i, { name: ($event.target as HTMLInputElement).value })"
        /></label>
        <label
          >How many
          <input
            :value="block.count"
            class="inline-field"
            size="4"
            inputmode="numeric"
            @input="changeCells(i, { count: Number(($event.target as HTMLInputElement).value) || 1 })"
        /></label>
        <label
          >First slot
          <input
            :value="block.at?.[0] ?? ''"
            class="inline-field"
            size="4"
            :placeholder="String(layout.cells[i]?.starts[0] ?? '')"
            @input="
              changeCells(i, {
                at: Number(($event.target as HTMLInputElement).value)
                  ? [Number(($event.target as HTMLInputElement).value)]
                  : undefined,
              })
            "
        /></label>
        <button type="button" class="small-button" @click="change({ cells: cells.filter((_, k) => k !== i) })">
          Take them out
        </button>
      </div>
      <p v-if="fault(`${at}cells/${i}/at`)" class="wrong small">{{ fault(`${at}cells/${i}/at`) }}</p>
      <ParameterTable
        :label="`Parameters of a ${block.name.toLowerCase()}`"
        :model-value="block.parameters"
        :slots="layout.cells[i]?.first ?? []"
        :fault="fault"
        :at="`${at}cells/${i}/parameters/`"
        @update:model-value="changeCells(i, { parameters: $event })"
      />
    </section>
    <button type="button" class="small-button" @click="addCells">Add repeated cells</button>
    <p class="small">
      <label
        ><input
          type="checkbox"
          :checked="meanings.virtualIntensity"
          @change="change({ virtualIntensity: ($event.target as HTMLInputElement).checked || undefined })"
        />
        It has a virtual intensity, which scales its colours as they leave</label
      >
      <span v-if="fault(`${at}virtualIntensity`)" class="wrong">{{ fault(`${at}virtualIntensity`) }}</span>
    </p>
    <template v-if="profile" #actions><ProfileActions :profile="profile" :draft="draft" @done="emit('done', $event)" /></template>
  </FormFrame>
</template>

<style scoped>
.about {
  margin-bottom: 12px;
}
.modes {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0 10px;
}
.cells {
  margin: 14px 0 8px;
  padding-left: 12px;
  border-left: 3px solid var(--rule);
}
</style>
