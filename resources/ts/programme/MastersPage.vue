<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useProgramme } from './live'
import BlackoutButton from './BlackoutButton.vue'
import MasterPanel from './MasterPanel.vue'
import PlainForm from '@/kinds/PlainForm.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'
import { usePointNames } from './names'
import { masterSentence } from './sentences'

/** The masters of the show, and blackout. */
const show = useShow()
const session = useSession()
const { masters } = useProgramme()
const levelOf = (id: string) => masters.value.get(id)?.level ?? 0
const { partName } = usePointNames()
const rows = computed<Row[]>(() =>
  show.masters.map((one) => ({
    id: one.id,
    name: one.name,
    text: masterSentence(one, partName),
    state: levelOf(one.id) < 100 ? 'lowered' : 'full',
  })),
)
</script>

<template>
  <ListPage
    list="masters"
    title="Programme"
    note=""
    what="master"
    whats="masters"
    path="/programme-masters"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.masters"
    :rows="rows"
    empty="No masters yet. A master scales intensities, and nothing else: of all that leaves, or of chosen looks, lists, universes, groups or fixtures."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><ProgrammeTabs /></template>
    <template #head><BlackoutButton v-if="session.mayOperate" /></template>
    <template #row="{ row }"
      ><span class="filled" :style="{ width: `${levelOf(row.id)}%` }" /><strong class="on-top">{{ row.name }}</strong>
      <span class="figures on-top">{{ Math.round(levelOf(row.id)) }}</span>
      <span class="quiet small on-top words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm :key="part?.id" list="masters" :part="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <MasterPanel :key="part.id" :master="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.filled {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--fill);
  opacity: 0.5;
}
.on-top {
  position: relative;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
