<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import DeskLine from './DeskLine.vue'
import DeskRun from './DeskRun.vue'
import TimelineTabs from './TimelineTabs.vue'

/** Desks that take typed lines: which ones, typed by hand, or made of a timeline. */
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const rows = computed<Row[]>(() =>
  show.desks.map((one) => ({
    id: one.id,
    name: one.name,
    text: `at ${show.portName(one.port)}, ${(one.forms ?? []).length} ${one.forms?.length === 1 ? 'form' : 'forms'} of lines`,
  })),
)
const remove = (id: string, gone: () => void) =>
  attempt(async () => {
    await show.remove('desks', id)
    gone()
  })
</script>

<template>
  <ListPage
    list="desks"
    title="Timeline"
    note=""
    what="desk"
    whats="desks"
    path="/timeline-desks"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.desks"
    :rows="rows"
    empty="No desk yet. A desk takes typed lines by OSC or System Exclusive; you say which lines it takes, and each is checked before it is sent."
    columns="minmax(0, 1fr) 560px"
  >
    <template #tabs><TimelineTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm
        :key="part?.id"
        list="desks"
        :part="part"
        :fresh="{ forms: [{ line: 'go cue {cue: 1-999}' }] }"
        @done="done"
        @cancel="cancel"
      />
    </template>
    <template #panel="{ part, change, gone }">
      <aside class="panel" aria-label="Desk">
        <h2>{{ part.name }}</h2>
        <p class="quiet small">Lines that it takes:</p>
        <ul class="forms small figures">
          <li v-for="one in part.forms ?? []" :key="one.line">{{ one.line }}</li>
        </ul>
        <DeskLine v-if="session.mayOperate" :key="part.id" :desk="part.id" />
        <DeskRun v-if="session.mayOperate" :key="`${part.id} run`" :desk="part.id" />
        <div v-if="session.mayBuild" class="actions">
          <v-btn @click="change">Change</v-btn><v-btn color="error" @click="remove(part.id, gone)">Delete</v-btn>
        </div>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </template>
  </ListPage>
</template>

<style scoped>
.forms {
  margin: 4px 0 12px;
  padding-left: 18px;
}
.actions {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
