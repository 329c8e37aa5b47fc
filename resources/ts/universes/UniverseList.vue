<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useShow } from '@/api/show'
import { mergeWords, raisedWords } from '@/components/words'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'

/** All universes, with what they are called outside and who is in control. */
defineProps<{ chosen: string }>()
const show = useShow()
const engine = useEngine()
const router = useRouter()
const byId = computed(() => new Map(show.universes.map((one) => [one.id, one])))
const rows = computed<Row[]>(() =>
  show.universes.map((one) => ({
    id: one.id,
    name: one.name,
    text: `${one.id} ${(show.data?.numbering[one.id] ?? []).join(' ')}`,
    state: shortMerge[one.merge ?? 'htp'],
  })),
)
const shortMerge = { htp: 'HTP', ltp: 'LTP', slot: 'slot by slot', chosen: 'one chosen port' }
const words = (id: string) => {
  const one = byId.value.get(id)
  return one ? mergeWords(one, show.portName) : ''
}
</script>

<template>
  <PartList
    list="universes"
    what="universes"
    states="merge modes"
    :rows="rows"
    :chosen="chosen"
    @choose="router.push({ path: `/universes/${$event}`, query: { list: '1' } })"
  >
    <template #row="{ row }">
      <strong>{{ row.name }}</strong>
      <span class="quiet small words">{{ (show.data?.numbering[row.id] ?? []).join(', ') }}</span>
      <span class="quiet small">{{ words(row.id) }}</span>
      <span class="figures small">{{ raisedWords(engine.universes[row.id]?.raised ?? 0) }}</span>
    </template>
  </PartList>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 1;
}
</style>
