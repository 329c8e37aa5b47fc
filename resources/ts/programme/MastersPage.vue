<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useProgramme } from './live'
import BlackoutButton from './BlackoutButton.vue'
import MasterPanel from './MasterPanel.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'
import { masterSentence } from './sentences'

/** The masters of the show, and blackout. */
const show = useShow()
const session = useSession()
const { masters } = useProgramme()
const drafts = ref<Record<string, Values>>({})
const draftOf = (part: { id: string } | null) => drafts.value[part?.id ?? ''] ?? (part ? { ...part } : ({} as Values))
const keep = (part: { id: string } | null, draft: Values) => {
  drafts.value = { ...drafts.value, [part?.id ?? '']: draft }
}
const forget = () => {
  drafts.value = {}
}
const levelOf = (id: string) => masters.value.get(id)?.level ?? 0
const nameOf = (list: string, id: string) =>
  ((show.document?.[list as 'looks'] ?? []) as { id: string; name: string }[]).find((one) => one.id === id)?.name ?? id
const rows = computed<Row[]>(() =>
  show.masters.map((one) => ({
    id: one.id,
    name: one.name,
    text: masterSentence(one, nameOf),
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
      <PartForm
        :key="part?.id"
        :model-value="draftOf(part)"
        list="masters"
        :part="part"
        @update:model-value="keep(part, $event)"
        @done="(forget(), done($event))"
        @cancel="(forget(), cancel())"
      />
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
