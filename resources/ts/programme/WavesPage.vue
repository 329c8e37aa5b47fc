<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import FigureForm from './FigureForm.vue'
import { useProgramme } from './live'
import { usePointNames } from './names'
import PlainForm from '@/kinds/PlainForm.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'
import WavePanel from './WavePanel.vue'
import { waveSentence } from './waves'

/** The waves of the show. */
const show = useShow()
const session = useSession()
const { news } = useProgramme()
const { nameOf } = usePointNames()
const running = computed(() => new Set((news.value?.waves ?? []).filter((one) => one.isOn).map((one) => one.id)))
const rows = computed<Row[]>(() =>
  show.waves.map((one) => ({
    id: one.id,
    name: one.name,
    state: running.value.has(one.id) ? 'running' : 'off',
    text: waveSentence(one, nameOf),
  })),
)
</script>

<template>
  <ListPage
    list="waves"
    title="Programme"
    note=""
    what="wave"
    whats="waves"
    path="/programme-waves"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.waves"
    :rows="rows"
    empty="No waves yet. A wave moves levels, masters or looks to and fro by itself, by the second or by the beat."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><ProgrammeTabs /></template>
    <template #head="{ open }"><v-btn v-if="session.mayBuild" @click="open('figure')">Add a figure</v-btn></template>
    <template #other="{ done }"><FigureForm @done="done" @cancel="done('')" /></template>
    <template #row="{ row }"
      ><span class="mark" :class="{ on: row.state === 'running' }" /><strong>{{ row.name }}</strong>
      <span v-if="row.state === 'running'" class="small">running</span>
      <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm :key="part?.id" list="waves" :part="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <WavePanel :key="part.id" :wave="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.mark {
  flex: none;
  width: 10px;
  height: 10px;
  border: 1px solid var(--quiet);
}
.on {
  border-color: var(--alive);
  background: var(--alive);
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
