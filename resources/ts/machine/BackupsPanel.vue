<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { call } from '@/api/client'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { amount, houseTime, type Kept } from './machine'

/** One file with everything, for a spare machine or for tomorrow; and the way back. */
const show = useShow()
const { failed, attempt } = useAttempt()
const kept = ref<Kept[]>([])
const done = ref<string[]>([])
const isBusy = ref(false)
const asked = ref<Kept | File | null>(null)
const withUsers = ref(false)
const file = ref<HTMLInputElement | null>(null)
const name = (one: Kept | File) => (one instanceof File ? one.name : when(one))
const when = (one: Kept) => houseTime(new Date(one.at * 1000).toLocaleString('sv').replace(' ', 'T')).slice(0, -3)

async function busy(what: () => Promise<void>): Promise<void> {
  isBusy.value = true
  done.value = []
  await attempt(what)
  isBusy.value = false
}
const take = (answer: { backups: Kept[] }) => {
  kept.value = answer.backups
}
const load = () => attempt(async () => take(await call('GET', 'backups')))
const make = () => busy(async () => take(await call('POST', 'backups')))
function choose(): void {
  asked.value = file.value?.files?.[0] ?? null
  if (file.value) file.value.value = ''
}
const restore = () =>
  busy(async () => {
    const one = asked.value
    if (!one) return
    const users = withUsers.value ? 1 : 0
    const answer =
      one instanceof File
        ? await call<{ done: string[] }>('POST', `backups/brought?users=${users}`, one)
        : await call<{ done: string[] }>('POST', `backups/${one.name}/restore?users=${users}`)
    asked.value = null
    done.value = answer.done
    await show.load()
    await load()
  })
onMounted(() => void load())
</script>

<template>
  <section class="panel" aria-label="Backups">
    <h2>Backups</h2>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    <div v-if="done.length" role="status" class="small">
      <p v-for="line in done" :key="line">{{ line }}</p>
    </div>
    <form v-if="asked" aria-label="Put back" @submit.prevent="restore">
      <p>
        Put back {{ name(asked) }}? The engine runs the show that was open in it, and lamps follow. What is here now is kept
        first.
      </p>
      <label><input v-model="withUsers" type="checkbox" /> People and pass codes too: everybody logs in again</label>
      <div class="row">
        <v-btn type="submit" variant="flat" color="primary" :disabled="isBusy">Put it back</v-btn>
        <v-btn @click="asked = null">Leave it</v-btn>
      </div>
    </form>
    <template v-else>
      <div class="row">
        <button type="button" class="small-button" :disabled="isBusy" @click="make">Make one now</button>
        <a class="small-button" href="/api/backups/fresh" download>For a spare machine</a>
        <button type="button" class="small-button" :disabled="isBusy" @click="file?.click()">Bring one along</button>
        <input ref="file" type="file" accept=".zip" hidden @change="choose" />
      </div>
      <p class="quiet small">Shows, people, recordings, and who this machine is on the network. It holds password hashes.</p>
      <ul>
        <li v-for="one in kept" :key="one.name">
          <span class="figures">{{ when(one) }}</span> <span class="quiet">{{ amount(one.bytes) }}</span>
          <span class="spring" />
          <a class="small-button" :href="`/api/backups/${one.name}`" download :aria-label="`Save ${when(one)}`">Save</a>
          <button type="button" class="small-button" :aria-label="`Put back ${when(one)}`" @click="asked = one">Put back</button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.row,
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
h2 {
  margin-bottom: 8px;
}
a.small-button {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}
form {
  display: grid;
  gap: 12px;
}
.spring {
  flex: 1;
}
ul {
  padding: 0;
  margin: 8px 0 0;
  list-style: none;
  max-height: 300px;
  overflow: auto;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
