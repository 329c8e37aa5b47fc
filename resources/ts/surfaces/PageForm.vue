<script setup lang="ts">
import { computed } from 'vue'
import type { Page } from '@/api/showDocument'
import { useFollowed } from '@/kinds/followed'
import { columnsOf, rowsOf, smallest } from './build'
import { useBuilding, type OtherWay } from './building'

/** A page's name, its grid, and its place among the others. */
const props = defineProps<{ page: Page; count: number }>()
const emit = defineEmits<{ done: [] }>()
const building = useBuilding()
const MOST = 24
const draft = useFollowed(
  () => ({ name: props.page.name, columns: columnsOf(props.page), rows: rowsOf(props.page) }),
  () => props.page.id,
)
const WAYS: { value: OtherWay; title: string }[] = [
  { value: 'anew', title: 'laid anew, by itself' },
  { value: 'built', title: 'as it was built' },
  { value: 'own', title: 'in a layout of its own' },
]
const other = computed<OtherWay>(() => (props.page.turned ? 'own' : (props.page.flows ?? true) ? 'anew' : 'built'))
function store(): void {
  const least = smallest(props.page)
  const isSmall = draft.value.columns < least.columns || draft.value.rows < least.rows
  const why = `Controls stand as far as column ${least.columns}, row ${least.rows}: move them first.`
  if (building.turnInto(isSmall ? null : { ...props.page, ...draft.value }, why)) emit('done')
}
function move(by: number): void {
  const surface = building.surface.value
  if (!surface) return
  const pages = [...(surface.pages ?? [])]
  const to = building.at.value + by
  const [page] = pages.splice(building.at.value, 1)
  if (page) pages.splice(to, 0, page)
  void building.put({ ...surface, pages })
  building.at.value = to
}
function remove(): void {
  const surface = building.surface.value
  if (!surface) return
  void building.put({ ...surface, pages: (surface.pages ?? []).filter((one) => one.id !== props.page.id) })
  building.at.value = Math.max(0, building.at.value - 1)
  emit('done')
}
</script>

<template>
  <form class="panel" aria-label="Page" @submit.prevent="store">
    <h2>Page {{ page.name }}</h2>
    <div class="fields">
      <v-text-field v-model="draft.name" label="Name" class="wide" :maxlength="60" required />
      <v-text-field v-model.number="draft.columns" label="Columns" type="number" min="1" :max="MOST" />
      <v-text-field v-model.number="draft.rows" label="Rows" type="number" min="1" :max="MOST" />
      <v-select
        :model-value="other"
        :items="WAYS"
        label="On a screen of the other orientation"
        class="wide"
        @update:model-value="building.layOther($event)"
      />
      <p v-if="other === 'own'" class="small quiet wide">
        Choose a screen of the other orientation under "Seen as": what is built there is that layout.
      </p>
    </div>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary">Save</v-btn>
      <v-btn @click="emit('done')">Cancel</v-btn>
      <v-btn :disabled="building.at.value === 0" @click="move(-1)">Earlier</v-btn>
      <v-btn :disabled="building.at.value >= count - 1" @click="move(1)">Later</v-btn>
      <v-btn v-if="count > 1" color="error" @click="remove">Delete page</v-btn>
    </div>
  </form>
</template>
