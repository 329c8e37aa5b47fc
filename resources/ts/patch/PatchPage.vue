<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Parameter } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { places, spellSlots } from '@/components/slots'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import FixtureForm from './FixtureForm.vue'
import ProfileForm from './ProfileForm.vue'

type Side = { kind: 'none' } | { kind: 'fixture'; id: string | null } | { kind: 'profile'; id: string | null }
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<Side>({ kind: 'none' })
const { failed, attempt } = useAttempt()
const chosen = computed(() => show.data?.patch.find((one) => one.id === route.params.id) ?? show.data?.patch[0] ?? null)
watch(
  () => route.params.id,
  () => {
    side.value = { kind: 'none' }
  },
)
const fixture = computed(() => {
  const now = side.value
  return now.kind === 'fixture' && now.id !== null ? (show.fixtures.find((one) => one.id === now.id) ?? null) : null
})
const profile = computed(() => {
  const now = side.value
  return now.kind === 'profile' && now.id !== null ? (show.profiles.find((one) => one.id === now.id) ?? null) : null
})
const byId = computed(() => new Map((show.data?.patch ?? []).map((one) => [one.id, one])))
const spanOf = (id: string) => {
  const one = byId.value.get(id)
  return one ? (one.first === one.last ? `${one.first}` : `${one.first}–${one.last}`) : ''
}
const rows = computed<Row[]>(() =>
  show.universes.flatMap((universe) =>
    show.patchOf(universe.id).map((one) => ({
      id: one.id,
      name: one.name,
      text: `${one.id} ${one.profile} ${universe.name} ${one.first}`,
      state: one.shares.length > 0 ? 'shares slots' : 'alone',
      group: `${universe.name}, next free slot ${show.data?.nextFree[universe.id] ?? 'none'}`,
    })),
  ),
)
const profileRows = computed<Row[]>(() =>
  show.profiles.map((one) => ({
    id: one.id,
    name: one.name,
    text: one.parameters.map((parameter) => parameter.name).join(', '),
  })),
)
const widths = computed(
  () => new Map(show.profiles.map((one) => [one.id, slots(one.parameters) === 1 ? '1 slot' : `${slots(one.parameters)} slots`])),
)
const slots = (parameters: Parameter[]) => Math.max(...places(parameters).flat())
const open = (what: Side) =>
  onceLeft(() => {
    side.value = what
  })
const done = (id?: string) => {
  side.value = { kind: 'none' }
  if (id) void router.push(`/patch/${id}`)
}
const remove = (list: 'fixtures' | 'profiles', id: string) => attempt(() => show.remove(list, id))
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Patch</h1>
      <span class="quiet">What listens where.</span><span class="spring" />
      <template v-if="session.mayBuild">
        <v-btn @click="open({ kind: 'profile', id: null })">Add a profile</v-btn>
        <v-btn
          variant="flat"
          color="primary"
          :disabled="show.profiles.length === 0 || show.universes.length === 0"
          @click="open({ kind: 'fixture', id: null })"
          >Add a fixture</v-btn
        >
      </template>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <GoneNote :id="route.params.id" what="fixture" :all="show.fixtures" path="/patch" :loaded="show.document !== undefined" />
    <div class="split">
      <div class="lists">
        <p v-if="show.document && show.fixtures.length === 0" class="empty">
          No fixtures yet. A profile says what each slot of a kind of fixture means; a fixture is one of that kind at an address.
        </p>
        <PartList
          v-else
          list="fixtures"
          what="fixtures"
          :rows="rows"
          :chosen="chosen?.id"
          class="tall"
          @choose="router.push(`/patch/${$event}`)"
        >
          <template #row="{ row }">
            <span class="figures span">{{ spanOf(row.id) }}</span><strong>{{ row.name }}</strong
            ><span class="quiet small">{{ byId.get(row.id)?.profile }}</span>
            <span v-if="byId.get(row.id)?.shares.length" class="wrong small"
              >shares slots with {{ byId.get(row.id)?.shares.join(', ') }}</span
            >
          </template>
        </PartList>
        <h2 class="profiles">Profiles</h2>
        <PartList
          list="profiles"
          what="profiles"
          :rows="profileRows"
          :chosen="side.kind === 'profile' ? (side.id ?? undefined) : undefined"
          class="short"
          @choose="open({ kind: 'profile', id: $event })"
        >
          <template #row="{ row }"
            ><strong>{{ row.name }}</strong> <span class="figures small">{{ widths.get(row.id) }}</span>
            <span class="quiet small words">{{ row.text }}</span></template
          >
        </PartList>
      </div>
      <SideSheet
        :open="side.kind !== 'none' || Boolean(route.params.id)"
        :closes="side.kind === 'none'"
        @close="router.push('/patch')"
      >
        <FixtureForm v-if="side.kind === 'fixture'" :key="side.id ?? ''" :fixture="fixture" @done="done" @cancel="done()" />
        <ProfileForm
          v-else-if="side.kind === 'profile'"
          :key="side.id ?? ''"
          :profile="profile"
          @done="done()"
          @cancel="done()"
        />
        <aside v-else-if="chosen" class="panel" aria-label="Fixture">
          <h2>{{ chosen.name }}</h2>
          <p class="quiet">
            {{ chosen.profile }} at slot {{ chosen.first }} of {{ show.universeName(chosen.universe) }}, to {{ chosen.last }}
          </p>
          <table class="plain">
            <thead>
              <tr>
                <th>Slots</th>
                <th>Parameter</th>
                <th>Merges by</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in chosen.parameters" :key="one.name">
                <td class="figures">{{ spellSlots(one.slots).replace(' to ', '–') }}</td>
                <td>
                  {{ one.name }} <span class="quiet small">{{ one.slots.length * 8 }} bit</span>
                </td>
                <td class="quiet small">{{ one.intensity ? 'highest' : 'latest' }}</td>
              </tr>
            </tbody>
          </table>
          <div class="actions">
            <v-btn :to="{ path: `/universes/${chosen.universe}`, query: { slot: chosen.first } }">Test it by hand</v-btn>
            <template v-if="session.mayBuild"
              ><v-btn @click="side = { kind: 'fixture', id: chosen.id }">Change</v-btn
              ><v-btn color="error" @click="remove('fixtures', chosen.id)">Delete</v-btn></template
            >
          </div>
        </aside>
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
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
  flex: 1 1 auto;
  min-height: 200px;
}
.short {
  flex: 0 1 auto;
  min-height: 120px;
  max-height: 45%;
}
.profiles {
  margin: 20px 0 8px;
}
.span {
  width: 76px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .split > * {
    max-height: none;
  }
}
</style>
