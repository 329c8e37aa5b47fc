<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ListName, Values } from '@/api/show'
import { useDescriptions } from '@/kinds/kinds'
import PartFields from '@/kinds/PartFields.vue'
import { fieldAt } from './columns'

/** What can be done with several parts at once. */
const props = defineProps<{ list: ListName; parts: ({ id: string } & Values)[]; movable: boolean }>()
const emit = defineEmits<{ change: [what: { set?: Values; remove?: true }]; duplicate: []; move: [by: -1 | 1]; clear: [] }>()
const descriptions = useDescriptions()
const description = computed(() => descriptions.value?.lists[props.list])
const mode = ref<'none' | 'field' | 'delete'>('none')
const path = ref('')
const value = ref<Values>({})
watch(
  () => props.parts.map((part) => part.id).join(' '),
  () => {
    mode.value = 'none'
  },
)
watch(path, () => {
  value.value = {}
})

const things = computed(
  () => `${props.parts.length} ${props.parts.length === 1 ? description.value?.label.toLowerCase() : props.list}`,
)
const hasSwitch = computed(
  () => description.value?.fields.some((field) => field.name === 'enabled' && field.type === 'flag') ?? false,
)
/** A name is for one; what holds parts of its own is changed in its form. */
const fields = computed(() => {
  const told = description.value
  const first = props.parts[0]
  if (!told || !first) return []
  return told.columns.flatMap((column) => {
    const found = column.isObject || ['id', 'name'].includes(column.path) ? undefined : fieldAt(told, first, column.path)
    return found && !['objects', 'parts', 'part'].includes(found.field.type) ? [{ ...column, ...found }] : []
  })
})
const field = computed(() => fields.value.find((one) => one.path === path.value))
/** Asked for by itself it applies whatever else a part says. */
const bare = computed(() => (field.value ? [{ ...field.value.field, onlyAt: '' }] : []))
function set(): void {
  if (!field.value) return
  emit('change', { set: { [path.value]: value.value[field.value.field.name] ?? null } })
  mode.value = 'none'
}
function remove(): void {
  mode.value = 'none'
  emit('change', { remove: true })
}
/** As Ctrl+C does it: a page that is not served safely may not write to the clipboard in any other way. */
const copy = () => document.execCommand('copy')
</script>

<template>
  <div class="selection" role="group" aria-label="What is selected">
    <strong>{{ things }} selected</strong>
    <template v-if="hasSwitch">
      <button type="button" class="small-button" @click="emit('change', { set: { enabled: null } })">Switch on</button>
      <button type="button" class="small-button" @click="emit('change', { set: { enabled: false } })">Switch off</button>
    </template>
    <button
      type="button"
      class="small-button"
      :aria-pressed="mode === 'field'"
      @click="mode = mode === 'field' ? 'none' : 'field'"
    >
      Change a field
    </button>
    <button type="button" class="small-button" @click="emit('duplicate')">Duplicate</button>
    <button type="button" class="small-button" title="Ctrl+C; Ctrl+V puts them in, in another show too" @click="copy">
      Copy
    </button>
    <button type="button" class="small-button" :disabled="!movable" title="Alt and the arrow up" @click="emit('move', -1)">
      Up
    </button>
    <button type="button" class="small-button" :disabled="!movable" title="Alt and the arrow down" @click="emit('move', 1)">
      Down
    </button>
    <slot />
    <button type="button" class="small-button" @click="mode = 'delete'">Delete</button>
    <button type="button" class="small-button" title="Escape" @click="emit('clear')">Select none</button>
    <form v-if="mode === 'field'" class="field" @submit.prevent="set">
      <label
        >Field
        <select v-model="path" class="inline-field">
          <option value="" disabled>choose one</option>
          <option v-for="one in fields" :key="one.path" :value="one.path">{{ one.label }}</option>
        </select></label
      >
      <div v-if="field" class="value"><PartFields v-model="value" :fields="bare" :outer="field.outer" /></div>
      <button v-if="field" type="submit" class="small-button">Set it on {{ things }}</button>
    </form>
    <p v-if="mode === 'delete'" class="ask">
      Delete {{ things }}? Ctrl+Z brings them back.
      <button type="button" class="small-button" @click="remove">Delete them</button>
      <button type="button" class="small-button" @click="mode = 'none'">Keep them</button>
    </p>
  </div>
</template>

<style scoped>
.selection {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  padding: 8px 12px;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid var(--rule);
}
.selection strong {
  margin-right: 6px;
}
.field,
.ask {
  flex-basis: 100%;
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  padding-top: 4px;
}
.value {
  min-width: 240px;
}
</style>
