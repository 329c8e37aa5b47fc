<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import type { Row } from '@/lists/rows'
import SmallList from '@/lists/SmallList.vue'

/** Switches, numbers, choices and texts of the show's own. */
const show = useShow()
const empty = 'None yet. A value is a switch, a number, a choice or a text that routes set and ask for, like "House open".'
const rows = computed<Row[]>(() =>
  show.values.map((one) => ({ id: one.id, name: one.name, text: `value:${one.id}`, state: one.type ?? 'switch' })),
)
</script>

<template>
  <SmallList
    list="values"
    what="own values"
    title="Values"
    :empty="empty"
    add="Add a value"
    :rows="rows"
    states="kinds"
  >
    <template #title>Values of the show's own</template>
    <template #row="{ row }">
      <strong>{{ row.name }}</strong>
      <span class="quiet small">{{ row.state }}</span>
      <code class="figures small">value:{{ row.id }}</code>
    </template>
  </SmallList>
</template>
