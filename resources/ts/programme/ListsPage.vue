<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import ListPanel from './ListPanel.vue'
import { useProgramme } from './live'
import PlainForm from '@/kinds/PlainForm.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'

/** The cue lists of the show. */
const show = useShow()
const { lists } = useProgramme()
const rows = computed<Row[]>(() =>
  show.lists.map((one) => {
    const life = lists.value.get(one.id)
    const state = life?.state ?? 'released'
    const cues = (one.cues ?? []).length
    return {
      id: one.id,
      name: one.name,
      state,
      text:
        state === 'released'
          ? cues === 1
            ? '1 cue'
            : `${cues} cues`
          : `${state === 'paused' ? 'paused in' : 'in'} cue ${life?.cue}`,
    }
  }),
)
</script>

<template>
  <ListPage
    list="lists"
    title="Programme"
    note=""
    what="cue list"
    whats="cue lists"
    path="/programme-lists"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.lists"
    :rows="rows"
    empty="No cue lists yet. A list puts looks in an order, with the times in which they come, and is run by Go."
    columns="minmax(190px, 1fr) minmax(0, 4.2fr)"
  >
    <template #tabs><ProgrammeTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm :key="part?.id" list="lists" :part="part" :without="['cues']" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <ListPanel :key="part.id" :list="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
