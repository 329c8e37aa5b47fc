<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import type { Row } from '@/lists/rows'
import SmallList from '@/lists/SmallList.vue'

/** What two people have agreed that notes mean: it stands beside each wherever notes are shown. */
const show = useShow()
const notes = computed(() => show.document?.notes ?? [])
const rows = computed<Row[]>(() =>
  notes.value.map((one) => ({
    id: one.id,
    name: one.name,
    text: `note ${one.note}${one.channel ? ` on channel ${one.channel}` : ''}`,
  })),
)
</script>

<template>
  <SmallList
    list="notes"
    what="notes"
    title="What notes mean"
    empty="Nothing is agreed yet. A note that is named here is shown with its meaning in sentences, in the trace and where one learns."
    add="Name a note"
    :rows="rows"
  >
    <template #row="{ row }">
      <strong>{{ row.name }}</strong>
      <span class="quiet small">{{ row.text }}</span>
    </template>
  </SmallList>
</template>
