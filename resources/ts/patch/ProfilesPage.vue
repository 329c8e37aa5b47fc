<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import ComparePanel from './ComparePanel.vue'
import { slotsOf } from './fixtures'
import LibraryPanel from './LibraryPanel.vue'
import ProfileForm from './ProfileForm.vue'

/** Kinds of fixtures: what each of their slots means; the library has common ones to begin with. */
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<'profile' | 'new' | 'library' | 'compare'>('profile')
const chosen = computed(() => show.profiles.find((one) => one.id === route.params.id) ?? null)
watch(
  () => route.params.id,
  () => {
    side.value = 'profile'
  },
)
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
const open = (what: typeof side.value) =>
  onceLeft(() => {
    side.value = what
  })
const choose = (id: string) => void router.push(`/patch-profiles/${id}`)
function done(id: string): void {
  side.value = 'profile'
  void router.push(id ? `/patch-profiles/${id}` : '/patch-profiles')
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Profiles</h1>
      <span class="quiet">What each slot of a kind of fixture means.</span><span class="spring" />
      <v-btn to="/patch">Patch</v-btn>
      <v-btn v-if="show.profiles.length > 1" @click="open('compare')">Compare</v-btn>
      <template v-if="session.mayBuild">
        <v-btn @click="open('library')">Library</v-btn>
        <v-btn variant="flat" color="primary" @click="open('new')">Add a profile</v-btn>
      </template>
    </div>
    <GoneNote
      :id="route.params.id"
      what="profile"
      :all="show.profiles"
      path="/patch-profiles"
      :loaded="show.document !== undefined"
    />
    <div class="split">
      <div class="lists">
        <p v-if="show.document && show.profiles.length === 0" class="empty">
          No profiles yet. The library has common ones to begin with.
        </p>
        <PartList v-else list="profiles" what="profiles" :rows="rows" :chosen="chosen?.id" class="tall" @choose="choose">
          <template #row="{ row }"
            ><strong>{{ row.name }}</strong> <span class="figures small">{{ slots(row.id) }}</span>
            <span class="quiet small">{{
              users.get(row.id) ? (users.get(row.id) === 1 ? '1 fixture' : `${users.get(row.id)} fixtures`) : 'not used'
            }}</span></template
          >
        </PartList>
      </div>
      <SideSheet
        :open="side !== 'profile' || Boolean(route.params.id)"
        :closes="side === 'library' || side === 'compare'"
        @close="side = 'profile'"
      >
        <LibraryPanel v-if="side === 'library'" @done="done" />
        <ComparePanel v-else-if="side === 'compare'" :first="chosen?.id" />
        <ProfileForm v-else-if="side === 'new'" key="new" :profile="null" @done="done" @cancel="side = 'profile'" />
        <ProfileForm
          v-else-if="chosen && session.mayBuild"
          :key="`${chosen.id} ${show.data?.revision}`"
          :profile="chosen"
          @done="done"
          @cancel="router.push('/patch-profiles')"
        />
        <ComparePanel v-else-if="chosen" :first="chosen.id" />
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
}
.split {
  grid-template-columns: minmax(220px, 0.6fr) minmax(0, 1fr);
}
.split > * {
  max-height: calc(100cqh - 52px);
  overflow: auto;
}
.lists {
  display: flex;
  flex-direction: column;
}
.tall {
  min-height: 200px;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .split > * {
    max-height: none;
  }
}
</style>
