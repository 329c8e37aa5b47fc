<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'

/** What is done to several fixtures at once: other addresses, other numbers, two exchanged. */
const props = defineProps<{ ids: string[] }>()
const emit = defineEmits<{ done: [] }>()
const show = useShow()
const { failed, attempt } = useAttempt()
const what = ref<'none' | 'move' | 'renumber' | 'group'>('none')
const name = ref('')
const address = ref('')
const closesUp = ref(false)
const from = ref('1')
const step = ref('1')
const here = computed(() => show.fixtures.find((one) => one.id === props.ids[0])?.universe ?? '')
async function run(deed: object): Promise<void> {
  if (await attempt(() => show.deed(deed))) {
    what.value = 'none'
    emit('done')
  }
}
async function group(): Promise<void> {
  if (await attempt(() => show.add('groups', { name: name.value, members: props.ids }))) emit('done')
}
async function move(): Promise<void> {
  await attempt(async () => {
    const read = await show.readAddress(address.value, here.value)
    const way = read.ways[0]
    if (!way) throw new Error(read.problem)
    if (read.ways.length > 1) {
      const names = read.ways.map((one) => `${show.universeName(one.universe)} (${one.why})`)
      throw new Error(`${address.value} may be ${names.join(' or ')}: type the universe's name and the slot.`)
    }
    await run({ kind: 'move', fixtures: props.ids, universe: way.universe, first: way.slot, closeUp: closesUp.value })
  })
}
</script>

<template>
  <button type="button" class="small-button" :aria-pressed="what === 'move'" @click="what = what === 'move' ? 'none' : 'move'">
    Move to…
  </button>
  <button
    type="button"
    class="small-button"
    :aria-pressed="what === 'renumber'"
    @click="what = what === 'renumber' ? 'none' : 'renumber'"
  >
    Renumber
  </button>
  <button type="button" class="small-button" :aria-pressed="what === 'group'" @click="what = what === 'group' ? 'none' : 'group'">
    Make a group
  </button>
  <button
    v-if="ids.length === 2"
    type="button"
    class="small-button"
    @click="run({ kind: 'swap', fixture: ids[0], with: ids[1] })"
  >
    Swap their addresses
  </button>
  <form v-if="what === 'move'" class="deed" @submit.prevent="move">
    <label>To <input v-model="address" class="inline-field" size="14" placeholder="3.101" aria-label="To address" /></label>
    <label><input v-model="closesUp" type="checkbox" /> one after the other, without gaps</label>
    <button type="submit" class="small-button" :disabled="address.trim() === ''">Move {{ ids.length }}</button>
  </form>
  <form
    v-if="what === 'renumber'"
    class="deed"
    @submit.prevent="run({ kind: 'renumber', fixtures: ids, from: Number(from), step: Number(step) })"
  >
    <label>From <input v-model="from" class="inline-field" size="6" aria-label="From number" /></label>
    <label>step <input v-model="step" class="inline-field" size="4" aria-label="Step" /></label>
    <button type="submit" class="small-button">Renumber {{ ids.length }}</button>
  </form>
  <form v-if="what === 'group'" class="deed" @submit.prevent="group">
    <label>Name <input v-model="name" class="inline-field" size="16" aria-label="Name of the group" /></label>
    <button type="submit" class="small-button" :disabled="name.trim() === ''">Make it of {{ ids.length }}</button>
  </form>
  <p v-if="failed" class="wrong small deed" role="alert">{{ failed }}</p>
</template>

<style scoped src="../lists/deeds.css"></style>
