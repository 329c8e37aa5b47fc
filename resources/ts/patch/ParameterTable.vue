<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Parameter, Values } from '@/api/show'
import { useDescriptions } from '@/kinds/kinds'
import PartFields from '@/kinds/PartFields.vue'
import { droppedRows, movedRows } from './layout'

/** Parameters in their order, each with its slots: moved by drag and by keys, several at once. */
const props = defineProps<{
  label: string
  slots: number[][]
  at: string
  fault: (path: string) => string | undefined
}>()
const parameters = defineModel<Parameter[]>({ required: true })
const descriptions = useDescriptions()
const fields = computed(
  () => descriptions.value?.lists.profiles.fields.find((one) => one.name === 'parameters')?.part?.fields ?? [],
)
const roles = computed(() => fields.value.find((one) => one.name === 'role')?.words ?? [])
const HERE = ['name', 'slots', 'role', 'default', 'id']
const picked = ref(new Set<number>())
const open = ref<number | null>(null)
const dragged = ref<number | null>(null)
const target = ref<number | null>(null)

function change(i: number, fields: Partial<Parameter>): void {
  parameters.value = parameters.value.map((one, place) => (place === i ? { ...one, ...fields } : one))
}
/** Points go on calling it what they called it. */
function rename(i: number, name: string): void {
  const before = parameters.value[i]
  change(i, before?.name && !before.id && isStored(before) ? { name, id: before.name } : { name })
}
const stored = new Set(parameters.value.map((one) => one.name))
const isStored = (one: Parameter) => stored.has(one.name)
const whole = (text: string) => (text.trim() === '' ? undefined : Number(text))
function pick(i: number, event: MouseEvent): void {
  const now = event.ctrlKey || event.metaKey || event.shiftKey ? new Set(picked.value) : new Set<number>()
  if (event.shiftKey && picked.value.size > 0) {
    const from = Math.min(...picked.value)
    for (let one = Math.min(from, i); one <= Math.max(from, i); one += 1) now.add(one)
  } else if (!now.delete(i)) now.add(i)
  picked.value = now
}
function take(result: { rows: Parameter[]; picked: Set<number> }): void {
  parameters.value = result.rows
  picked.value = result.picked
  open.value = null
}
const move = (i: number, by: -1 | 1) => take(movedRows(parameters.value, picked.value.has(i) ? picked.value : new Set([i]), by))
function drop(before: number): void {
  const from = dragged.value
  if (from !== null) take(droppedRows(parameters.value, picked.value.has(from) ? picked.value : new Set([from]), before))
  dragged.value = target.value = null
}
function add(): void {
  parameters.value = [...parameters.value, { name: '', slots: 1 }]
}
function duplicate(i: number): void {
  const one = parameters.value[i]
  if (!one) return
  const twin = { ...(JSON.parse(JSON.stringify(one)) as Parameter), name: `${one.name} 2`, id: undefined, at: undefined }
  parameters.value = [...parameters.value.slice(0, i + 1), twin, ...parameters.value.slice(i + 1)]
}
function remove(i: number): void {
  const gone = picked.value.has(i) ? picked.value : new Set([i])
  parameters.value = parameters.value.filter((_, place) => !gone.has(place))
  picked.value = new Set()
  open.value = null
}
const spelled = (slots: number[] | undefined) =>
  !slots?.length
    ? '–'
    : slots.length === 1
      ? `${slots[0]}`
      : slots.every((one, i) => one === (slots[0] ?? 0) + i)
        ? `${slots[0]}–${slots.at(-1)}`
        : slots.join(', ')
const wrong = (i: number, field: string) => props.fault(`${props.at}${i}/${field}`)
</script>

<template>
  <section class="parameters" :aria-label="label">
    <div class="head small quiet">
      <span /><span>Slots</span><span>Name</span><span>Bits</span><span>What it does</span><span>Default</span><span />
    </div>
    <div
      v-for="(one, i) in parameters"
      :key="i"
      class="row"
      :class="{ picked: picked.has(i), target: target === i }"
      @dragover.prevent="target = i"
      @drop.prevent="drop(i)"
      @keydown.alt.up.prevent="move(i, -1)"
      @keydown.alt.down.prevent="move(i, 1)"
    >
      <button
        type="button"
        class="handle"
        draggable="true"
        :aria-pressed="picked.has(i)"
        :aria-label="`${one.name || 'parameter'}: pick or drag; Alt and the arrows move it`"
        @click="pick(i, $event)"
        @dragstart="dragged = i"
        @dragend="dragged = target = null"
      >
        ≡
      </button>
      <span class="figures slots">{{ spelled(slots[i]) }}</span>
      <input
        :value="one.name"
        class="inline-field name"
        :class="{ bad: wrong(i, 'name') }"
        :aria-label="`Name of parameter ${i + 1}`"
        @input="rename(i, ($event.target as HTMLInputElement).value)"
      />
      <select
        :value="one.slots ?? one.at?.length ?? 1"
        class="inline-field"
        :aria-label="`Bits of parameter ${i + 1}`"
        @change="change(i, { slots: Number(($event.target as HTMLSelectElement).value) })"
      >
        <option v-for="count in 4" :key="count" :value="count">{{ count * 8 }}</option>
      </select>
      <select
        :value="one.role ?? ''"
        class="inline-field"
        :aria-label="`What parameter ${i + 1} does`"
        @change="change(i, { role: (($event.target as HTMLSelectElement).value || undefined) as Parameter['role'] })"
      >
        <option value="">other</option>
        <option v-for="role in roles" :key="role" :value="role">{{ role.replace('-', ' ') }}</option>
      </select>
      <input
        :value="one.default ?? ''"
        class="inline-field default"
        inputmode="numeric"
        placeholder="0"
        :aria-label="`Default of parameter ${i + 1}`"
        @input="change(i, { default: whole(($event.target as HTMLInputElement).value) })"
      />
      <button type="button" class="small-button" :aria-expanded="open === i" @click="open = open === i ? null : i">More</button>
      <p v-for="field in ['name', 'default', 'slots', 'at']" v-show="wrong(i, field)" :key="field" class="wrong small whole">
        {{ wrong(i, field) }}
      </p>
      <div v-if="open === i" class="whole more">
        <div class="fields">
          <PartFields
            :model-value="one as unknown as Values"
            :fields="fields"
            :without="HERE"
            :fault="fault"
            :at="`${at}${i}/`"
            @update:model-value="change(i, $event as Partial<Parameter>)"
          />
        </div>
        <div class="actions">
          <button type="button" class="small-button" @click="move(i, -1)">Up</button>
          <button type="button" class="small-button" @click="move(i, 1)">Down</button>
          <button type="button" class="small-button" @click="duplicate(i)">Duplicate</button>
          <button type="button" class="small-button" @click="remove(i)">
            Take {{ picked.has(i) && picked.size > 1 ? `${picked.size} out` : 'it out' }}
          </button>
        </div>
      </div>
    </div>
    <div
      class="end"
      :class="{ target: target === parameters.length }"
      @dragover.prevent="target = parameters.length"
      @drop.prevent="drop(parameters.length)"
    >
      <button type="button" class="small-button" @click="add">Add a parameter</button>
    </div>
  </section>
</template>

<style scoped src="./parameterTable.css"></style>
