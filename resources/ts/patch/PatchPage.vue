<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type Parameter } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { places, spellSlots } from '@/components/slots'
import FixtureForm from './FixtureForm.vue'
import ProfileForm from './ProfileForm.vue'

type Side = { kind: 'none' } | { kind: 'fixture', id: string | null } | { kind: 'profile', id: string | null }
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<Side>({ kind: 'none' })
const { failed, attempt } = useAttempt()
const chosen = computed(() => show.data?.patch.find((one) => one.id === route.params.id) ?? show.data?.patch[0] ?? null)
watch(() => route.params.id, () => { side.value = { kind: 'none' } })
const fixture = computed(() => { const now = side.value; return now.kind === 'fixture' && now.id !== null ? show.fixtures.find((one) => one.id === now.id) ?? null : null })
const profile = computed(() => { const now = side.value; return now.kind === 'profile' && now.id !== null ? show.profiles.find((one) => one.id === now.id) ?? null : null })
const slots = (parameters: Parameter[]) => Math.max(...places(parameters).flat())
const done = (id?: string) => {
  side.value = { kind: 'none' }
  if (id) void router.push(`/patch/${id}`)
}
const remove = (list: 'fixtures' | 'profiles', id: string) => attempt(() => show.remove(list, id))
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Patch</h1><span class="quiet">What listens where.</span><span class="spring" />
      <template v-if="session.mayBuild">
        <v-btn @click="side = { kind: 'profile', id: null }">Add a profile</v-btn>
        <v-btn variant="flat" color="primary" :disabled="show.profiles.length === 0 || show.universes.length === 0" @click="side = { kind: 'fixture', id: null }">Add a fixture</v-btn>
      </template>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="split">
      <div>
        <p v-if="show.document && show.fixtures.length === 0" class="empty">No fixtures yet. A profile says what each slot of a kind of fixture means; a fixture is one of that kind at an address.</p>
        <section v-for="universe in show.universes.filter((one) => show.patchOf(one.id).length > 0)" :key="universe.id" :aria-label="universe.name">
          <h2>{{ universe.name }} <span class="quiet small">next free slot {{ show.data?.nextFree[universe.id] ?? 'none' }}</span></h2>
          <button v-for="one in show.patchOf(universe.id)" :key="one.id" type="button" class="row-button row" :aria-current="chosen?.id === one.id" @click="router.push(`/patch/${one.id}`)">
            <span class="figures span">{{ one.first === one.last ? one.first : `${one.first}–${one.last}` }}</span><strong>{{ one.name }}</strong><span class="quiet">{{ one.profile }}</span>
            <span v-if="one.shares.length" class="wrong small">shares slots with {{ one.shares.join(', ') }}</span>
          </button>
        </section>
        <section class="profiles" aria-label="Profiles">
          <h2>Profiles</h2>
          <div v-for="one in show.profiles" :key="one.id" class="profile">
            <strong>{{ one.name }}</strong> <span class="figures small">{{ slots(one.parameters) }} slots</span>
            <span class="quiet small">{{ one.parameters.map((parameter) => parameter.name).join(', ') }}</span>
            <span v-if="session.mayBuild"><button type="button" class="small-button" :aria-label="`Change the profile ${one.name}`" @click="side = { kind: 'profile', id: one.id }">Change</button> <button type="button" class="small-button" :aria-label="`Delete the profile ${one.name}`" @click="remove('profiles', one.id)">Delete</button></span>
          </div>
        </section>
      </div>
      <FixtureForm v-if="side.kind === 'fixture'" :key="side.id ?? ''" :fixture="fixture" @done="done" @cancel="done()" />
      <ProfileForm v-else-if="side.kind === 'profile'" :key="side.id ?? ''" :profile="profile" @done="done()" @cancel="done()" />
      <aside v-else-if="chosen" class="panel" aria-label="Fixture">
        <h2>{{ chosen.name }}</h2>
        <p class="quiet">{{ chosen.profile }} at slot {{ chosen.first }} of {{ show.universeName(chosen.universe) }}, to {{ chosen.last }}</p>
        <table class="plain">
          <thead><tr><th>Slots</th><th>Parameter</th><th>Takes</th></tr></thead>
          <tbody><tr v-for="one in chosen.parameters" :key="one.name"><td class="figures">{{ spellSlots(one.slots).replace(" to ", "–") }}</td><td>{{ one.name }} <span class="quiet small">{{ one.slots.length * 8 }} bit</span></td><td class="quiet small">{{ one.intensity ? 'the highest' : 'the latest' }}</td></tr></tbody>
        </table>
        <div class="actions">
          <v-btn :to="{ path: `/universes/${chosen.universe}`, query: { slot: chosen.first } }">Test it by hand</v-btn>
          <template v-if="session.mayBuild"><v-btn @click="side = { kind: 'fixture', id: chosen.id }">Change</v-btn><v-btn color="error" @click="remove('fixtures', chosen.id)">Delete</v-btn></template>
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
section { margin-bottom: 20px; }
.row { display: flex; gap: 12px; align-items: baseline; }
.span { width: 76px; }
.profile { display: grid; grid-template-columns: 150px 64px minmax(0, 1fr) auto; gap: 8px; align-items: baseline; padding: 8px 12px; border-bottom: 1px solid var(--rule); }
</style>
