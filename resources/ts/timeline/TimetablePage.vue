<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PlainForm from '@/kinds/PlainForm.vue'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'
import TimelineTabs from './TimelineTabs.vue'
import { momentWords, useTimetable } from './timetable'

/** What happens by itself, at moments of the day; what comes next is first. */
const show = useShow()
const session = useSession()
const engine = useEngine()
const day = useTimetable()
const { failed, attempt } = useAttempt()
const when = (unix: number | null | undefined) => (unix ? momentWords(unix, day.zone.value) : '')
const note = computed(() => {
  if (show.occasions.length === 0) return ''
  if (day.time.value === null) return 'The engine does not know what time it is.'
  const clock = `It is ${when(day.time.value)} (${day.zone.value}).`
  const next = day.next.value
  const name = show.occasions.find((one) => one.id === next?.id)?.name
  return name && next ? `Next: ${name}, ${day.inWords(next.id)}. ${clock}` : `Nothing comes. ${clock}`
})
const place = (id: string) => {
  const found = day.lives.value.findIndex((one) => one.id === id)
  return found < 0 ? Infinity : found
}
const rows = computed<Row[]>(() =>
  [...show.occasions]
    .sort((a, b) => place(a.id) - place(b.id))
    .map((one) => {
      const life = day.lifeOf(one.id)
      const comes = life?.isOn === false ? 'switched off' : life?.next ? when(life.next) : 'never'
      return { id: one.id, name: one.name, group: one.folder, state: comes, text: `${comes} — ${life?.words ?? ''}` }
    }),
)
const remove = (id: string, gone: () => void) =>
  attempt(async () => {
    await show.remove('occasions', id)
    gone()
  })
</script>

<template>
  <ListPage
    list="occasions"
    title="Timeline"
    :note="note"
    what="occasion"
    whats="occasions"
    path="/timeline-day"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.occasions"
    :rows="rows"
    empty="Nothing happens by itself yet. An occasion has a time of the day, or goes by sunrise and sunset; it has its days, and dates on which it does not happen."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><TimelineTabs /></template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <PlainForm
        :key="part?.id"
        list="occasions"
        :part="part"
        :fresh="{ when: { kind: 'time', at: '19:30' } }"
        @done="done"
        @cancel="cancel"
      />
    </template>
    <template #panel="{ part, change, gone }">
      <aside class="panel" aria-label="Occasion">
        <h2>{{ part.name }}</h2>
        <p class="next figures">
          {{ when(day.lifeOf(part.id)?.next) || 'It does not come' }}
          <span class="quiet">{{ day.inWords(part.id) }}</span>
        </p>
        <p>{{ day.lifeOf(part.id)?.words }}</p>
        <p class="quiet">
          {{ day.lifeOf(part.id)?.last ? `It came last ${when(day.lifeOf(part.id)?.last)}.` : 'It has not come yet.' }}
          {{ (part.do ?? []).length === 0 ? 'It does nothing yet.' : '' }}
          {{ part.missed === 'do' ? `Missed, it is made up for within ${part.within ?? 12} h.` : 'Missed, it is left out.' }}
        </p>
        <p v-if="part.note" class="quiet">{{ part.note }}</p>
        <div class="actions">
          <template v-if="session.mayOperate">
            <v-btn @click="engine.pressPoint(`occasion:${part.id}`)">Do it now</v-btn>
            <v-btn @click="engine.setPoint(`occasion:${part.id}/enabled`, day.lifeOf(part.id)?.isOn ? 0 : 1)">{{
              day.lifeOf(part.id)?.isOn ? 'Switch off' : 'Switch on'
            }}</v-btn>
          </template>
          <template v-if="session.mayBuild">
            <v-btn @click="change">Change</v-btn><v-btn color="error" @click="remove(part.id, gone)">Delete</v-btn>
          </template>
        </div>
        <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
      </aside>
    </template>
  </ListPage>
</template>

<style scoped>
.next {
  margin: 12px 0;
  font-size: 22px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
