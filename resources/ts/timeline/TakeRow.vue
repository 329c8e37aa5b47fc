<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useEditing } from './editing'
import type { Take } from './parts'
import { takeWords, type Takes } from './takes'

/** A take: seen behind the levels, laid on them, let go round as a timeline of its own. */
const props = defineProps<{ take: Take; takes: Takes }>()
const editing = useEditing()
const show = useShow()
const session = useSession()
const round = ref<{ beats: number; look: string } | null>(null)
const made = ref('')
function compare(): void {
  editing.compared.value = editing.compared.value === props.take.id ? '' : props.take.id
}
function rename(event: Event): void {
  const name = (event.target as HTMLInputElement).value.trim()
  if (name && name !== props.take.name) props.takes.change(props.take, { name })
}
async function goRound(): Promise<void> {
  if (!round.value) return
  const answer = await props.takes.goRound(props.take, Number(round.value.beats) || 0, round.value.look)
  made.value = String(answer?.timeline ?? '')
  if (made.value) round.value = null
}
</script>

<template>
  <div class="take">
    <div class="line">
      <input
        class="inline-field name"
        :aria-label="`Name of ${take.name}`"
        :value="take.name"
        maxlength="60"
        :disabled="!session.mayBuild"
        @change="rename"
      />
      <button type="button" class="small-button" :aria-pressed="editing.compared.value === take.id" @click="compare">
        See it
      </button>
      <template v-if="session.mayBuild">
        <button type="button" class="small-button" @click="takes.lay(take)">Lay on tracks</button>
        <button
          type="button"
          class="small-button"
          :aria-expanded="round !== null"
          @click="round = round ? null : { beats: 8, look: '' }"
        >
          Go round
        </button>
        <button type="button" class="small-button" :aria-label="`Delete ${take.name}`" @click="takes.change(take, null)">
          Delete
        </button>
      </template>
    </div>
    <p class="small quiet">{{ takeWords(take) }}</p>
    <form v-if="round" class="line small" aria-label="Go round" @submit.prevent="goRound">
      <label
        >in <input v-model.number="round.beats" type="number" min="0" max="10000" class="inline-field short" /> beats (0: as it
        is)</label
      >
      <label
        >while
        <select v-model="round.look" class="inline-field">
          <option value="">it is played</option>
          <option v-for="one in show.looks" :key="one.id" :value="one.id">{{ one.name }} is on</option>
        </select></label
      >
      <button type="submit" class="small-button">Make it</button>
    </form>
    <p v-if="made" class="small" role="status">
      It is a timeline of its own: <router-link :to="`/timeline-edit/${made}`">open it</router-link>.
    </p>
  </div>
</template>

<style scoped>
.take {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.name {
  flex: 1;
  min-width: 80px;
}
.short {
  width: 68px;
}
p {
  margin: 4px 0 0;
}
</style>
