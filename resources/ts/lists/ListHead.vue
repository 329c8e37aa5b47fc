<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import type { ListName } from '@/api/show'
import type { Column } from './columns'

/** What stands over a list: how many there are, what is searched for, what is shown, in which order, and the way in and out as a table. */
const props = defineProps<{
  list: ListName
  what: string
  all: number
  shown: number
  states: { state: string; count: number }[]
  whatever: string
  columns: Column[]
}>()
const emit = defineEmits<{ table: []; all: [] }>()
const search = defineModel<string>('search', { required: true })
const state = defineModel<string>('state', { required: true })
const order = defineModel<string>('order', { required: true })
const session = useSession()
const count = computed(() => (props.shown === props.all ? `${props.all}` : `${props.shown} of ${props.all}`))
const states = computed(() => [
  { value: '', title: props.whatever },
  ...props.states.map((one) => ({ value: one.state, title: `${one.state} (${one.count})` })),
])
const orders = computed(() => [
  { value: '', title: 'in show order' },
  ...props.columns
    .filter((column) => !column.isObject)
    .map((column) => ({ value: column.path, title: `by ${column.label.charAt(0).toLowerCase()}${column.label.slice(1)}` })),
])
</script>

<template>
  <div class="list-head">
    <span class="figures count" :title="`${count} ${what}`">{{ count }}</span>
    <input
      v-model="search"
      type="search"
      class="search"
      :aria-label="`Search ${what}`"
      placeholder="Search"
      @keydown.esc="search = ''"
    />
    <label v-if="props.states.length > 1" class="pick"
      ><span class="unseen">Show</span
      ><select v-model="state">
        <option v-for="one in states" :key="one.value" :value="one.value">{{ one.title }}</option>
      </select></label
    >
    <label class="pick"
      ><span class="unseen">Order</span
      ><select v-model="order">
        <option v-for="one in orders" :key="one.value" :value="one.value">{{ one.title }}</option>
      </select></label
    >
    <v-menu>
      <template #activator="{ props: given }"><button type="button" class="small-button" v-bind="given">More</button></template>
      <div class="panel menu" role="dialog" aria-label="More about the list">
        <a :href="`/api/show/${list}/table`" download class="small-button">Save as a table (CSV)</a>
        <template v-if="session.mayBuild">
          <button type="button" class="small-button" @click="emit('table')">Read a table (CSV) or a copy</button>
          <button type="button" class="small-button" @click="emit('all')">Select all shown (Ctrl+A)</button>
          <p class="quiet small">Ctrl or Shift and a click select some; Ctrl+C and Ctrl+V copy them, to another show too.</p>
        </template>
      </div>
    </v-menu>
  </div>
</template>

<style scoped>
.list-head {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
  flex-wrap: wrap;
}
.count {
  min-width: 2ch;
  font-weight: 600;
}
.search,
select {
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  font-size: 14px;
  min-height: 30px;
  padding: 2px 8px;
}
.search {
  flex: 1 1 120px;
  min-width: 90px;
}
.pick {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
select {
  max-width: 128px;
}
select option {
  background: rgb(var(--v-theme-surface));
}
.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.menu {
  display: grid;
  gap: 6px;
  padding: 12px;
  max-width: 280px;
}
.menu a {
  text-decoration: none;
}
</style>
