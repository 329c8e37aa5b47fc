<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'
import SurfaceIn from './SurfaceIn.vue'
import SurfacePanel from './SurfacePanel.vue'
import SurfaceTabs from './SurfaceTabs.vue'

/** The surfaces of the show. */
const show = useShow()
const engine = useEngine()
const WHO: Record<string, string> = { code: 'pass code', network: 'its networks', people: 'who logs in' }
const rows = computed<Row[]>(() =>
  show.surfaces.map((one) => {
    const controls = (one.pages ?? []).reduce((sum, page) => sum + (page.controls?.length ?? 0), 0)
    const open = engine.present.filter((person) => person.place === `/s/${one.id}`).length
    return {
      id: one.id,
      name: one.name,
      group: one.folder,
      state: open > 0 ? 'open' : 'not open',
      text: `/s/${one.id}, ${controls} ${controls === 1 ? 'control' : 'controls'}, for ${WHO[one.entry ?? 'code']}${open > 0 ? `, ${open} open` : ''}`,
    }
  }),
)
</script>

<template>
  <ListPage
    list="surfaces"
    title="Surfaces"
    note=""
    what="surface"
    whats="surfaces"
    path="/surfaces"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.surfaces"
    :rows="rows"
    empty="No surfaces yet. A surface is pages of buttons, faders and pads that run on any phone or tablet, with an address of its own."
    columns="minmax(320px, 1.1fr) minmax(0, 1fr)"
  >
    <template #tabs><SurfaceTabs /></template>
    <template #head="{ open }"><v-btn @click="open('in')">Import</v-btn></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm
        :key="part?.id"
        list="surfaces"
        :part="part"
        :without="['pages']"
        :fresh="{ pages: [{ id: 'page', name: 'Page 1', columns: 6, rows: 4 }] }"
        @done="done"
        @cancel="cancel"
      />
    </template>
    <template #other="{ done }"><SurfaceIn @done="done" /></template>
    <template #panel="{ part, change, gone }">
      <SurfacePanel :key="part.id" :surface="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
