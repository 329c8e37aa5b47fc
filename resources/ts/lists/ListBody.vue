<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { rowHeight } from '@/components/rowHeight'
import ListItem from './ListItem.vue'
import type { Item, Row } from './rows'

/** The rows themselves: only those in sight are drawn where there are many. */
const props = defineProps<{ items: Item[]; chosen?: string; picked: Set<string> }>()
const emit = defineEmits<{
  click: [id: string, keys: { shift: boolean; ctrl: boolean }]
  fold: [group: string]
  all: []
  clear: []
  move: [by: -1 | 1]
}>()
defineSlots<{ row: (given: { row: Row }) => unknown }>()

/** So many rows cost nothing; of more, only what is in sight is drawn. */
const FEW = 60
const ROW_HEIGHT = rowHeight('--row', 38)
const isLong = computed(() => props.items.length > FEW)
const box = ref<HTMLElement | null>(null)
const scroller = ref<{ scrollToIndex: (index: number) => void } | null>(null)
const rows = computed(() => props.items.flatMap((item) => ('row' in item ? [item.row] : [])))

function toRow(id: string): void {
  const place = props.items.findIndex((item) => 'row' in item && item.row.id === id)
  if (isLong.value && !box.value?.querySelector(`[data-row="${CSS.escape(id)}"]`)) scroller.value?.scrollToIndex(place)
  void nextTick(() => box.value?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"]`)?.focus())
}
/** The list moves under its own frame; the page that it stands on stays where it is. */
function bringIntoSight(row: HTMLElement): void {
  const frame = row.closest('.rows')
  if (!frame) return
  const outer = frame.getBoundingClientRect()
  const inner = row.getBoundingClientRect()
  if (inner.top < outer.top) frame.scrollTop -= outer.top - inner.top
  else if (inner.bottom > outer.bottom) frame.scrollTop += inner.bottom - outer.bottom
}
/** What is chosen from elsewhere comes into sight. */
watch(
  () => props.chosen,
  (now) => {
    void nextTick(() => {
      const row = now === undefined ? null : box.value?.querySelector<HTMLElement>(`[data-row="${CSS.escape(now)}"]`)
      if (row) bringIntoSight(row)
      else if (isLong.value) scroller.value?.scrollToIndex(props.items.findIndex((item) => 'row' in item && item.row.id === now))
    })
  },
  { immediate: true },
)

function pressed(event: KeyboardEvent): void {
  const id = (event.target as HTMLElement).dataset.row
  const ctrl = event.ctrlKey || event.metaKey
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (ctrl && event.key.toLowerCase() === 'a') emit('all')
  else if (event.key === 'Escape' && props.picked.size > 0) emit('clear')
  else if (by !== 0 && event.altKey) emit('move', by)
  else if (by !== 0 && id !== undefined) {
    const next = rows.value[rows.value.findIndex((row) => row.id === id) + by]
    if (!next) return
    emit('click', next.id, { shift: event.shiftKey, ctrl: false })
    toRow(next.id)
  } else return
  event.preventDefault()
}
const clicked = (event: MouseEvent, id: string) =>
  emit('click', id, { shift: event.shiftKey, ctrl: event.ctrlKey || event.metaKey })
</script>

<template>
  <div ref="box" class="list-body" @keydown="pressed">
    <v-virtual-scroll v-if="isLong" ref="scroller" class="rows" :items="items" :item-height="ROW_HEIGHT" item-key="key">
      <template #default="{ item }">
        <ListItem :item="item as Item" :chosen="chosen" :picked="picked" @click="clicked" @fold="emit('fold', $event)"
          ><template #default="{ row }"><slot name="row" :row="row" /></template
        ></ListItem>
      </template>
    </v-virtual-scroll>
    <div v-else class="rows">
      <ListItem
        v-for="item in items"
        :key="item.key"
        :item="item"
        :chosen="chosen"
        :picked="picked"
        @click="clicked"
        @fold="emit('fold', $event)"
        ><template #default="{ row }"><slot name="row" :row="row" /></template
      ></ListItem>
    </div>
  </div>
</template>

<style scoped>
.list-body {
  min-height: 0;
  flex: 1;
  display: flex;
}
.rows {
  flex: 1;
  overflow: auto;
  min-width: 0;
}
</style>
