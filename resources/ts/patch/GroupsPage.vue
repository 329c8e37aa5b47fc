<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { fixturesOf } from './groups'
import GroupForm from './GroupForm.vue'
import GroupPanel from './GroupPanel.vue'

/** Groups of fixtures, in an order: what is set on one is set on each. */
const show = useShow()
const nameOf = (id: string) => show.fixtures.find((one) => one.id === id)?.name ?? id
const rows = computed<Row[]>(() =>
  show.groups.map((one) => ({
    id: one.id,
    name: one.name,
    text: fixturesOf(one.id, show.groups).slice(0, 20).map(nameOf).join(', '),
  })),
)
</script>

<template>
  <ListPage
    list="groups"
    title="Groups"
    note="Fixtures that are set together."
    what="group"
    whats="groups"
    path="/patch-groups"
    :parts="show.groups"
    :rows="rows"
    :cannot-add="show.fixtures.length === 0"
    empty="No groups yet. Select fixtures in the patch and make a group of them, or add one here."
  >
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="figures small">{{ fixturesOf(row.id, show.groups).length }}</span>
      <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <GroupForm :key="part?.id" :group="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <GroupPanel :key="`panel ${part.id}`" :group="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
