<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import ComparePanel from './ComparePanel.vue'
import { slotsOf } from './fixtures'
import LibraryPanel from './LibraryPanel.vue'
import ProfileForm from './ProfileForm.vue'

/** Kinds of fixtures: what each of their slots means; the library has common ones to begin with. */
const show = useShow()
const session = useSession()
const side = ref('')
const users = computed(() => {
  const counts = new Map<string, number>()
  for (const one of show.fixtures) counts.set(one.profile, (counts.get(one.profile) ?? 0) + 1)
  return counts
})
const slots = (id: string) => {
  const modes = Object.values(show.data?.footprints[id] ?? {}).map(slotsOf)
  const [low, high] = [Math.min(...modes), Math.max(...modes)]
  return low === high ? (low === 1 ? '1 slot' : `${low} slots`) : `${low} to ${high} slots`
}
const rows = computed<Row[]>(() =>
  show.profiles.map((one) => ({
    id: one.id,
    name: one.name,
    text: `${one.maker ?? ''} ${(show.footprintOf(one.id) ?? [])
      .slice(0, 40)
      .map((parameter) => parameter.name)
      .join(', ')}`,
    state: users.value.has(one.id) ? 'in use' : 'not used',
  })),
)
</script>

<template>
  <ListPage
    v-model:side="side"
    list="profiles"
    title="Profiles"
    note="What each slot of a kind of fixture means."
    what="profile"
    whats="profiles"
    path="/patch-profiles"
    :parts="show.profiles"
    :rows="rows"
    :is-form="session.mayBuild"
    empty="No profiles yet. The library has common ones to begin with."
    columns="minmax(220px, 0.6fr) minmax(0, 1fr)"
  >
    <template #head="{ open }">
      <v-btn v-if="show.profiles.length > 1" @click="open('compare')">Compare</v-btn>
      <v-btn v-if="session.mayBuild" @click="open('library')">Library</v-btn>
    </template>
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="figures small">{{ slots(row.id) }}</span>
      <span class="quiet small">{{
        users.get(row.id) ? (users.get(row.id) === 1 ? '1 fixture' : `${users.get(row.id)} fixtures`) : 'not used'
      }}</span></template
    >
    <template #form="{ done, cancel }">
      <ProfileForm key="new" :profile="null" @done="done" @cancel="cancel" />
    </template>
    <template #other="{ part, done }">
      <LibraryPanel v-if="side === 'library'" @done="done" />
      <ComparePanel v-else :first="part?.id" />
    </template>
    <template #panel="{ part, done, cancel }">
      <ProfileForm
        v-if="session.mayBuild"
        :key="`${part.id} ${show.data?.revision}`"
        :profile="part"
        @done="done"
        @cancel="cancel"
      />
      <ComparePanel v-else :first="part.id" />
    </template>
  </ListPage>
</template>
