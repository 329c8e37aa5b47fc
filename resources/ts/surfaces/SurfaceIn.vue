<script setup lang="ts">
import { ref } from 'vue'
import { useAttempt } from '@/components/attempt'
import { takeSurface } from './files'

/** A surface comes in from a file of another show. */
const emit = defineEmits<{ done: [id: string] }>()
const { failed, attempt } = useAttempt()
const left = ref<string[]>([])
const taken = ref('')
async function take(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  await attempt(async () => {
    const answer = await takeSurface(await file.text())
    left.value = answer.left
    taken.value = answer.id
    if (answer.left.length === 0) emit('done', answer.id)
  })
}
</script>

<template>
  <section class="panel" aria-label="Import a surface">
    <h2>Import a surface</h2>
    <p>A file that was exported here, of this show or another one. What it moves and this show does not have is left out.</p>
    <p><input type="file" accept=".json,application/json" aria-label="File of a surface" @change="take" /></p>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <template v-if="left.length">
      <p>It is in. These points are not in this show, and were left out:</p>
      <ul>
        <li v-for="one in left" :key="one" class="figures small">{{ one }}</li>
      </ul>
      <v-btn @click="emit('done', taken)">Show it</v-btn>
    </template>
  </section>
</template>

<style scoped>
ul {
  padding-left: 18px;
}
</style>
