<script setup lang="ts">
import type { Item, Row } from './rows'

/** One line of a list: a row, or the heading of a group. */
defineProps<{ item: Item; chosen?: string; picked: Set<string> }>()
const emit = defineEmits<{ click: [event: MouseEvent, id: string]; fold: [group: string] }>()
defineSlots<{ default: (given: { row: Row }) => unknown }>()
</script>

<template>
  <button
    v-if="'row' in item"
    type="button"
    class="row-button line"
    :data-row="item.row.id"
    :class="{ picked: picked.has(item.row.id) }"
    :aria-current="chosen === item.row.id"
    :aria-pressed="picked.size > 0 ? picked.has(item.row.id) : undefined"
    @click="emit('click', $event, item.row.id)"
  >
    <slot :row="item.row" />
  </button>
  <button v-else type="button" class="group" :aria-expanded="!item.folded" @click="emit('fold', item.group)">
    <span aria-hidden="true" class="figures">{{ item.folded ? '+' : '–' }}</span> {{ item.group || 'no folder' }}
    <span class="quiet figures">{{ item.count }}</span>
  </button>
</template>

<style scoped>
.line {
  position: relative;
  display: flex;
  gap: 10px;
  align-items: center;
  height: var(--row);
  padding: 0 12px;
  overflow: hidden;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .line {
    flex-wrap: wrap;
    align-content: center;
    gap: 0 10px;
  }
}
.picked {
  background: var(--fill);
}
.group {
  display: flex;
  gap: 8px;
  width: 100%;
  height: var(--row);
  align-items: center;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  font-weight: 700;
  text-align: left;
  cursor: pointer;
  padding: 0 12px 0 4px;
}
</style>
