<script setup lang="ts">
import StateMark from '@/components/StateMark.vue'
import { rowHeight } from '@/components/rowHeight'
import type { LaneItem } from './many'

/** One lane of a large show; only what is in sight is drawn. */
defineProps<{ name: string; count: number; items: LaneItem[]; lit: Set<string> | null; looked: string | null }>()
const emit = defineEmits<{ look: [node: string]; point: [node: string | null]; fold: [heading: string]; scroll: [] }>()
const ROW_HEIGHT = rowHeight('--lane', 30)
</script>

<template>
  <section :aria-label="name">
    <h2>
      {{ name }} <span class="quiet figures">{{ count }}</span>
    </h2>
    <p v-if="items.length === 0" class="quiet">None of these.</p>
    <v-virtual-scroll class="rows" :items="items" :item-height="ROW_HEIGHT" item-key="key" @scroll.passive="emit('scroll')">
      <template #default="{ item }">
        <button
          v-if="'heading' in item"
          type="button"
          class="heading"
          :aria-expanded="!item.folded"
          @click="emit('fold', item.heading)"
        >
          {{ item.heading }} <span class="figures">{{ item.count }}</span>
        </button>
        <div
          v-else
          class="line"
          :class="{ dim: lit && !lit.has(item.row.node), here: looked === item.row.node }"
          :data-node="item.row.node"
          @mouseenter="emit('point', item.row.node)"
          @mouseleave="emit('point', null)"
        >
          <StateMark v-if="item.row.state" :state="item.row.state" />
          <router-link :to="item.row.to">{{ item.row.name }}</router-link>
          <button
            type="button"
            class="words"
            :class="{ wrong: item.row.wrong }"
            :aria-label="`The path of ${item.row.name}`"
            @click="emit('look', item.row.node)"
          >
            {{ item.row.words }}
          </button>
        </div>
      </template>
    </v-virtual-scroll>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
h2 {
  color: var(--quiet);
}
.rows {
  flex: 1;
  min-height: 0;
  border: 1px solid var(--rule);
  background: rgb(var(--v-theme-surface));
}
.heading,
.line {
  height: var(--lane);
  width: 100%;
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 0 10px;
  font-size: 14px;
  white-space: nowrap;
}
.heading {
  background: none;
  border: 0;
  color: var(--quiet);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.line.dim {
  opacity: 0.35;
}
.line.here {
  box-shadow: inset 3px 0 0 currentColor;
}
.line a {
  color: inherit;
  text-decoration: none;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line a:hover {
  text-decoration: underline;
}
.words {
  flex: 1;
  align-self: stretch;
  min-width: 40px;
  background: none;
  border: 0;
  color: var(--quiet);
  font: inherit;
  font-size: 13px;
  text-align: right;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
}
.words.wrong {
  color: var(--wrong);
}
</style>
