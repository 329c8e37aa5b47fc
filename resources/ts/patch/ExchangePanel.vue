<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'

/** The patch on paper and in files: for other departments, and from them. */
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const added = ref<Record<string, number> | null>(null)
const left = ref<string[]>([])
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  added.value = null
  await attempt(async () => {
    const answer = await show.takeScene(file)
    added.value = answer.added ?? {}
    left.value = answer.left ?? []
  })
  input.value = ''
}
</script>

<template>
  <section class="panel" aria-label="Sheets and files">
    <h2>Sheets and files</h2>
    <p>
      <v-btn to="/patch-sheet">Patch sheet to print</v-btn>
    </p>
    <p class="quiet small">With addresses, switches, modes, and a column to tick.</p>
    <p>
      <v-btn href="/api/show/scene">Save as a scene (MVR)</v-btn>
    </p>
    <p class="quiet small">
      Fixtures, addresses and their types, for drawing programs and desks. Universes have the numbers that they have on a network.
    </p>
    <template v-if="session.mayBuild">
      <p>
        <label>Read a scene (MVR): <input type="file" accept=".mvr" @change="read" /></label>
      </p>
      <p class="quiet small">
        Its fixtures are added to the patch, as one edit that Undo takes back. Tables (CSV) are under More, in the list.
      </p>
    </template>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div v-if="added" role="status">
      <p>Added: {{ added.fixtures }} fixtures, {{ added.profiles }} profiles, {{ added.universes }} universes.</p>
      <template v-if="left.length">
        <p>Not taken in:</p>
        <ul>
          <li v-for="words in left" :key="words" class="small">{{ words }}</li>
        </ul>
      </template>
    </div>
  </section>
</template>

<style scoped>
.panel > p {
  margin: 8px 0;
}
ul {
  padding-left: 18px;
}
</style>
