<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import {
  allShows,
  beginShow,
  changeShow,
  deleteShow,
  duplicateShow,
  importShow,
  openingOf,
  openShow,
  restoreShow,
  type Opening,
  type ShelfLine,
} from '@/api/shelf'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { dayOf, shortOf } from '@/history/times'
import OpeningQuestion from './OpeningQuestion.vue'

/** All shows that are stored: one is open; the others are opened, duplicated, put away and brought back here. */
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const shows = ref<ShelfLine[]>([])
const keptDays = ref(30)
const which = ref<'here' | 'archived' | 'deleted'>('here')
const naming = ref<{ of: ShelfLine | null; deed: 'begin' | 'duplicate' | 'rename'; name: string } | null>(null)
const opening = ref<{ line: ShelfLine; changes: Opening } | null>(null)
const groups = [
  { value: 'here', title: 'Ready' },
  { value: 'archived', title: 'Archived' },
  { value: 'deleted', title: 'Deleted' },
] as const
const groupOf = (line: ShelfLine) => (line.deletedAt ? 'deleted' : line.archived ? 'archived' : 'here')
const shown = computed(() => shows.value.filter((line) => groupOf(line) === which.value))
const countOf = (group: string) => shows.value.filter((line) => groupOf(line) === group).length
const words = (line: ShelfLine) =>
  `${line.counts.universes ?? 0} universes, ${line.counts.ports ?? 0} ports, ${line.counts.routes ?? 0} routes`

async function load(): Promise<void> {
  await attempt(async () => {
    const all = await allShows()
    shows.value = all.shows
    keptDays.value = all.keptDays
  })
}
watch(() => show.data?.revision, load, { immediate: true })
const done = async (what: () => Promise<unknown>) => {
  if (await attempt(what)) await load()
}
async function ask(line: ShelfLine): Promise<void> {
  opening.value = null
  await attempt(async () => {
    opening.value = { line, changes: await openingOf(line.id) }
  })
}
async function open(): Promise<void> {
  const line = opening.value?.line
  opening.value = null
  if (line) await done(() => openShow(line.id))
}
async function nameIt(): Promise<void> {
  const { of, deed, name } = naming.value ?? { of: null, deed: 'begin' as const, name: '' }
  naming.value = null
  await done(() =>
    of === null ? beginShow(name) : deed === 'duplicate' ? duplicateShow(of.id, name) : changeShow(of.id, { name }),
  )
}
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) await done(async () => importShow(await file.text()))
  input.value = ''
}
</script>

<template>
  <section class="panel shelf" aria-label="Shows">
    <div class="head">
      <h2>Shows</h2>
      <button
        v-for="group in groups"
        :key="group.value"
        type="button"
        :aria-pressed="which === group.value"
        @click="which = group.value"
      >
        {{ group.title }} {{ countOf(group.value) }}
      </button>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p v-if="shown.length === 0" class="quiet">None.</p>
    <ul>
      <li v-for="line in shown" :key="line.id">
        <span class="name"
          ><b>{{ line.name }}</b
          ><template v-if="line.isOpen">, open</template></span
        >
        <span class="quiet"
          >{{ words(line) }}; changed {{ shortOf(line.changedAt)
          }}<template v-if="line.by"> by {{ line.by }}</template
          ><template v-if="line.goneAt">; gone for good on {{ dayOf(line.goneAt) }}</template></span
        >
        <div v-if="session.mayBuild" class="deeds">
          <template v-if="line.deletedAt"
            ><button type="button" @click="done(() => restoreShow(line.id))">Bring back</button></template
          >
          <template v-else>
            <button v-if="!line.isOpen" type="button" @click="ask(line)">Open</button>
            <button type="button" @click="naming = { of: line, deed: 'duplicate', name: `${line.name}, copy` }">Duplicate</button>
            <a :href="`/api/shows/${line.id}/export`" download>Export</a>
            <template v-if="!line.isOpen">
              <button type="button" @click="naming = { of: line, deed: 'rename', name: line.name }">Rename</button>
              <button type="button" @click="done(() => changeShow(line.id, { archived: !line.archived }))">
                {{ line.archived ? 'Take out of the archive' : 'Archive' }}
              </button>
              <button type="button" :title="`Kept for ${keptDays} days`" @click="done(() => deleteShow(line.id))">Delete</button>
            </template>
          </template>
        </div>
        <OpeningQuestion
          v-if="opening?.line.id === line.id"
          :name="line.name"
          :changes="opening.changes"
          @open="open"
          @stay="opening = null"
        />
      </li>
    </ul>
    <form v-if="naming" class="naming" @submit.prevent="nameIt">
      <v-text-field v-model="naming.name" label="Name" maxlength="120" autofocus />
      <v-btn type="submit" :disabled="!naming.name.trim()">{{
        { begin: 'Add the show', duplicate: 'Duplicate', rename: 'Rename' }[naming.deed]
      }}</v-btn>
      <v-btn @click="naming = null">Cancel</v-btn>
    </form>
    <div v-if="session.mayBuild" class="actions">
      <v-btn @click="naming = { of: null, deed: 'begin', name: 'New show' }">Add an empty show</v-btn>
      <label class="file">Add a show from a document<input type="file" accept=".json,application/json" @change="take" /></label>
    </div>
  </section>
</template>

<style scoped src="./shelf.css"></style>
