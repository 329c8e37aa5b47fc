<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useShow, type Profile } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { layoutOf } from './layout'
import { useLibrary } from './library'

/** Profiles to begin with: one is taken into the show, and may be changed there. */
const emit = defineEmits<{ done: [id: string] }>()
const show = useShow()
const { profiles: all, ready } = useLibrary()
const search = ref('')
const { failed, attempt } = useAttempt()
onMounted(() => attempt(() => ready))
const shown = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter((one) => words.every((word) => `${one.name} ${one.note}`.toLowerCase().includes(word)))
})
/** What of a file was not understood. */
const left = ref<string[]>([])
const taken = ref('')
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await attempt(async () => {
    const answer = await show.takeType(file)
    left.value = answer.left ?? []
    taken.value = answer.id ?? ''
    if (left.value.length === 0) emit('done', taken.value)
  })
  input.value = ''
}
const take = (profile: Profile) =>
  attempt(async () => {
    emit('done', (await show.add('profiles', profile)).id ?? '')
  })
</script>

<template>
  <section class="panel" aria-label="Library">
    <h2>Library</h2>
    <p class="quiet small">Common kinds to begin with; whichever you take may be changed in the show.</p>
    <p class="file">
      <label class="small">Or a fixture type of its maker (GDTF): <input type="file" accept=".gdtf" @change="read" /></label>
    </p>
    <div v-if="taken" class="taken" role="status">
      <p>It is in the show. What was not taken in:</p>
      <ul>
        <li v-for="words in left" :key="words" class="small">{{ words }}</li>
      </ul>
      <button type="button" class="small-button" @click="emit('done', taken)">Look at the profile</button>
    </div>
    <v-text-field v-model="search" label="Search" class="search" />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <ul class="common">
      <li v-for="one in shown" :key="one.id">
        <span
          ><strong>{{ one.name }}</strong>
          <span class="figures small">{{ layoutOf(one).slots }} {{ layoutOf(one).slots === 1 ? 'slot' : 'slots' }}</span
          ><br /><span class="quiet small">{{ one.note }}</span></span
        >
        <button type="button" class="small-button" :aria-label="`Take ${one.name}`" @click="take(one)">Take it</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.search {
  margin: 10px 0;
}
.taken {
  margin: 10px 0;
}
.file {
  margin: 8px 0;
}
.common {
  padding: 0;
  list-style: none;
}
.common li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
