<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import PartFields from '@/kinds/PartFields.vue'
import { useDescriptions } from '@/kinds/kinds'
import { useStanding } from '@/kinds/standing'
import { changed, MARKERS, type Item, type Part } from './edit'
import { useEditing } from './editing'
import type { Moment } from './parts'

/** What one moment does, where one point of a line is, what a marker is called. */
const props = defineProps<{ item: Item; part: Part }>()
const editing = useEditing()
const session = useSession()
const descriptions = useDescriptions()
const of = computed(() => {
  const lists = descriptions.value?.lists.timelines.fields ?? []
  if (props.item.track === MARKERS) return lists.find((one) => one.name === 'markers')?.part
  const kind = editing.timeline.value?.tracks?.find((one) => one.id === props.item.track)?.does.kind ?? 'triggers'
  const field = kind === 'levels' ? 'knots' : kind
  const track = descriptions.value?.kinds.trackKind?.find((one) => one.kind === kind)
  return track?.fields.find((one) => one.name === field)?.part
})
const isLocked = computed(() => editing.timeline.value?.tracks?.find((one) => one.id === props.item.track)?.locked === true)
const mayChange = computed(() => session.mayBuild && !isLocked.value)
const fields = computed(() => of.value?.fields ?? [])
const TITLES: Record<string, string> = { levels: 'Point of the line', notes: 'Note', clips: 'Clip', triggers: 'Trigger' }
const title = computed(() => {
  if (props.item.track === MARKERS) return 'Marker'
  return TITLES[editing.timeline.value?.tracks?.find((one) => one.id === props.item.track)?.does.kind ?? ''] ?? 'Trigger'
})
const { draft, isChanged, store } = useStanding(
  () => props.part,
  () => fields.value,
  () => mayChange.value,
  (values) => {
    if (editing.timeline.value) editing.turnInto(changed(editing.timeline.value, props.item, values as unknown as Moment))
  },
)
</script>

<template>
  <form class="panel" :aria-label="title" @submit.prevent="store">
    <h2>{{ title }}</h2>
    <fieldset class="bare fields" :disabled="!mayChange">
      <PartFields v-model="draft" :fields="fields" :without="['id']" />
    </fieldset>
    <p v-if="isLocked" class="small quiet">Its track is locked.</p>
    <div v-if="mayChange" class="actions">
      <v-btn type="submit" variant="flat" color="primary" :disabled="!isChanged">Save</v-btn>
    </div>
  </form>
</template>

<style scoped>
.fields {
  margin-top: 14px;
}
.actions {
  position: sticky;
  bottom: -1px;
  z-index: 2;
  margin: 12px -16px -16px;
  padding: 10px 16px;
  background: rgb(var(--v-theme-surface));
  border-top: 1px solid var(--rule);
}
</style>
