<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { placeOfPatched } from '@/api/patched'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import DeedForm from './DeedForm.vue'
import ExchangePanel from './ExchangePanel.vue'
import FixtureForm from './FixtureForm.vue'
import FixturePanel from './FixturePanel.vue'
import { spanOf } from './fixtures'
import StepThrough from './StepThrough.vue'
import UniverseRun from './UniverseRun.vue'

type Side = { kind: 'none' } | { kind: 'exchange' } | { kind: 'fixture'; id: string | null; first?: number }
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<Side>({ kind: 'none' })
const isStepping = ref(false)
const chosen = computed(() => show.fixtures.find((one) => one.id === route.params.id) ?? show.fixtures[0] ?? null)
/** The universe whose strip is shown: that of the chosen fixture, until somebody looks at another one. */
const looked = ref('')
const universe = computed(
  () => show.universes.find((one) => one.id === (looked.value || chosen.value?.universe)) ?? show.universes[0],
)
watch(
  () => route.params.id,
  () => {
    side.value = { kind: 'none' }
    looked.value = ''
  },
)
const edited = computed(() => {
  const now = side.value
  return now.kind === 'fixture' && now.id !== null ? (show.fixtures.find((one) => one.id === now.id) ?? null) : null
})
const byId = computed(() => new Map((show.data?.patch ?? []).map((one) => [one.id, one])))
const numbers = computed(() => new Map(show.fixtures.map((one) => [one.id, one])))
const fixturesIn = (universe: string) => show.patchOf(universe).filter((one) => !one.pixels && !one.offered)
const rows = computed<Row[]>(() =>
  show.universes.flatMap((one) =>
    fixturesIn(one.id).map((fixture) => {
      const said = numbers.value.get(fixture.id)
      return {
        id: fixture.id,
        name: fixture.name,
        text: `${fixture.id} ${said?.number ?? ''} ${said?.mark ?? ''} ${said?.place ?? ''} ${fixture.profile} ${one.name} ${fixture.first}`,
        state:
          fixture.shares.length === 0
            ? 'alone'
            : fixture.shares.every((other) => other.meant)
              ? 'shares on purpose'
              : 'shares slots',
        group: `${one.name}, next free slot ${show.data?.nextFree[one.id] ?? 'none'}`,
      }
    }),
  ),
)
const open = (what: Side) =>
  onceLeft(() => {
    side.value = what
  })
const choose = (id: string) => void router.push(placeOfPatched(id))
const done = (id?: string) => {
  side.value = { kind: 'none' }
  if (id) choose(id)
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Patch</h1>
      <span class="quiet">What listens where.</span><span class="spring" />
      <v-btn v-if="show.fixtures.length && session.mayOperate" :active="isStepping" @click="isStepping = !isStepping"
        >Step through</v-btn
      >
      <v-btn :active="side.kind === 'exchange'" @click="open({ kind: 'exchange' })">Sheets and files</v-btn>
      <v-btn to="/patch-groups">Groups</v-btn>
      <v-btn to="/patch-pixels">Pixels</v-btn>
      <v-btn to="/patch-profiles">Profiles ({{ show.profiles.length }})</v-btn>
      <v-btn
        v-if="session.mayBuild"
        variant="flat"
        color="primary"
        :disabled="show.universes.length === 0"
        @click="open({ kind: 'fixture', id: null })"
        >Add fixtures</v-btn
      >
    </div>
    <GoneNote :id="route.params.id" what="fixture" :all="show.fixtures" path="/patch" :loaded="show.document !== undefined" />
    <StepThrough v-if="isStepping" :fixtures="rows" :chosen="chosen?.id" @choose="choose" @close="isStepping = false" />
    <div v-if="universe" class="strip-head">
      <label class="small"
        >Universe
        <select :value="universe.id" class="inline-field" @change="looked = ($event.target as HTMLSelectElement).value">
          <option v-for="one in show.universes" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <span class="quiet small">{{ (show.data?.numbering[universe.id] ?? []).slice(0, 2).join(' · ') }}</span>
    </div>
    <UniverseRun
      v-if="universe"
      :fixtures="show.patchOf(universe.id)"
      :chosen="chosen?.id"
      :name="universe.name"
      @choose="choose"
      @gap="session.mayBuild && open({ kind: 'fixture', id: null, first: $event })"
    />
    <div class="split">
      <div class="lists">
        <p v-if="show.document && show.fixtures.length === 0" class="empty">
          No fixtures yet. A fixture is one of a kind at an address: the library has common kinds, and
          <router-link to="/patch-profiles">profiles</router-link> of your own say what each slot of others means.
        </p>
        <PartList v-else list="fixtures" what="fixtures" :rows="rows" :chosen="chosen?.id" class="tall" @choose="choose">
          <template #deeds="{ ids, clear }"><DeedForm :ids="ids" @done="clear" /></template>
          <template #row="{ row }">
            <span class="figures number quiet">{{ numbers.get(row.id)?.number ?? '' }}</span>
            <span class="figures span">{{ byId.has(row.id) ? spanOf(byId.get(row.id)!) : '' }}</span><strong>{{
              row.name
            }}</strong
            ><span class="quiet small">{{
              [numbers.get(row.id)?.mark, byId.get(row.id)?.profile].filter(Boolean).join(', ')
            }}</span>
            <span v-if="row.state === 'shares slots'" class="wrong small"
              >shares slots with
              {{
                byId
                  .get(row.id)
                  ?.shares.filter((one) => !one.meant)
                  .map((one) => one.name)
                  .join(', ')
              }}</span
            >
            <span v-else-if="row.state !== 'alone'" class="quiet small">{{ row.state }}</span>
          </template>
        </PartList>
      </div>
      <SideSheet
        :open="side.kind !== 'none' || Boolean(route.params.id)"
        :closes="side.kind !== 'fixture'"
        @close="side.kind === 'exchange' ? (side = { kind: 'none' }) : router.push('/patch')"
      >
        <FixtureForm
          v-if="side.kind === 'fixture'"
          :key="`${side.id ?? ''} ${side.first ?? ''}`"
          :fixture="edited"
          :universe="universe?.id"
          :first="side.first"
          @done="done"
          @cancel="done()"
        />
        <ExchangePanel v-else-if="side.kind === 'exchange'" />
        <FixturePanel
          v-else-if="chosen"
          :fixture="chosen"
          @change="side = { kind: 'fixture', id: chosen.id }"
          @gone="router.push('/patch')"
          @cloned="choose"
        />
      </SideSheet>
    </div>
  </div>
</template>

<style scoped src="./patchPage.css"></style>
