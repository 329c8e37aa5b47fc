<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import PanelPanel from './PanelPanel.vue'
import SurfaceTabs from './SurfaceTabs.vue'

/** Panels of hardware: what they have, and which surface they move. */
const show = useShow()
const surfaceName = (id: string) => show.surfaces.find((one) => one.id === id)?.name ?? id
const rows = computed<Row[]>(() =>
  show.panels.map((one) => {
    const parts = one.parts?.length ?? 0
    return {
      id: one.id,
      name: one.name,
      state: one.enabled === false ? 'disabled' : 'enabled',
      text: `${parts} ${parts === 1 ? 'part' : 'parts'}, moves ${surfaceName(one.surface)}`,
    }
  }),
)
</script>

<template>
  <ListPage
    list="panels"
    title="Surfaces"
    note=""
    what="panel"
    whats="panels"
    path="/surfaces-panels"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.panels"
    :rows="rows"
    :cannot-add="show.surfaces.length === 0"
    empty="No panels yet. A panel has faders, buttons and encoders, that move the controls of a surface: add a surface first, then learn each part by touching it once."
    columns="minmax(280px, 1fr) minmax(0, 1.3fr)"
  >
    <template #tabs><SurfaceTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm
        :key="part?.id"
        list="panels"
        :part="part"
        :fresh="{ surface: show.surfaces[0]?.id }"
        @done="done"
        @cancel="cancel"
      />
    </template>
    <template #panel="{ part, change, gone }">
      <PanelPanel :key="part.id" :panel="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>
