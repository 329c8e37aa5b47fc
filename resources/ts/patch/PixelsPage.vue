<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import PixelForm from './PixelForm.vue'
import PixelPanel from './PixelPanel.vue'

/** Pixel maps: strips and panels whose pixels each listen to slots of their own. */
const show = useShow()
const spansOf = (id: string) => (show.data?.patch ?? []).filter((one) => one.pixels?.map === id)
const rows = computed<Row[]>(() =>
  show.pixels.map((one) => {
    const spans = spansOf(one.id)
    return {
      id: one.id,
      name: one.name,
      state: spans.every((span) => span.shares.every((other) => other.meant)) ? 'alone' : 'shares slots',
      text: [one.place, ...spans.map((span) => `${show.universeName(span.universe)} ${span.first}–${span.last}`)]
        .filter(Boolean)
        .join(', '),
    }
  }),
)
</script>

<template>
  <ListPage
    list="pixels"
    title="Pixels"
    note="Strips and panels, pixel by pixel."
    what="pixel map"
    whats="pixel maps"
    path="/patch-pixels"
    :parts="show.pixels"
    :rows="rows"
    :cannot-add="show.universes.length === 0"
    empty="No pixel maps yet. A map says where each pixel of a strip or a panel is, and which slots it listens to."
    columns="minmax(220px, 1fr) minmax(0, 2fr)"
  >
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span>
      <span v-if="row.state === 'shares slots'" class="wrong small">shares slots</span></template
    >
    <template #form="{ part, done, cancel }">
      <PixelForm :key="part?.id" :map="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <PixelPanel :key="`panel ${part.id}`" :map="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
