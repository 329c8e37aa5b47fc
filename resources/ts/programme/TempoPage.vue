<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import PlainForm from '@/kinds/PlainForm.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'
import { tempoWords as tempoSentence } from './waves'
import TempoControls from './TempoControls.vue'

/** Tempos: how fast the music is, and where that comes from. */
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const rows = computed<Row[]>(() =>
  show.tempos.map((one) => ({ id: one.id, name: one.name, text: tempoSentence(one, show.portName) })),
)
const remove = (id: string, gone: () => void) =>
  attempt(async () => {
    await show.remove('tempos', id)
    gone()
  })
</script>

<template>
  <ListPage
    list="tempos"
    title="Programme"
    note=""
    what="tempo"
    whats="tempos"
    path="/programme-tempo"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.tempos"
    :rows="rows"
    empty="No tempo yet. It is tapped or typed, or follows a clock or a message; waves and routes go by its beat."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><ProgrammeTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm :key="part?.id" list="tempos" :part="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <aside class="panel" aria-label="Tempo">
        <h2>{{ part.name }}</h2>
        <p>{{ tempoSentence(part, show.portName) }}</p>
        <TempoControls :id="part.id" exact class="controls" />
        <div v-if="session.mayBuild" class="actions">
          <v-btn @click="change">Change</v-btn><v-btn color="error" @click="remove(part.id, gone)">Delete</v-btn>
        </div>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
.controls {
  margin-top: 12px;
}
</style>
