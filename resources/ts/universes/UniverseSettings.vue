<script setup lang="ts">
import { ref, watch } from 'vue'
import { useShow, type Universe } from '@/api/show'

const props = defineProps<{ universe: Universe | null }>()
const emit = defineEmits<{ done: [id: string], gone: [], cancel: [] }>()
const show = useShow()
const name = ref('')
const merge = ref<'htp' | 'ltp'>('htp')
const whenLost = ref<'hold' | 'fade' | 'stop'>('hold')
const fadeSeconds = ref(3)
const failed = ref('')
watch(() => props.universe, (now) => {
  name.value = now?.name ?? ''
  merge.value = now?.merge ?? 'htp'
  whenLost.value = now?.whenLost ?? 'hold'
  fadeSeconds.value = now?.fadeSeconds ?? 3
}, { immediate: true })
const losses = [{ value: 'hold', title: 'its last levels stay' }, { value: 'fade', title: 'it fades to black' }, { value: 'stop', title: 'nothing more is sent' }]
const rules = [{ value: 'htp', title: 'HTP: highest takes precedence' }, { value: 'ltp', title: 'LTP: latest takes precedence' }]

async function attempt(what: () => Promise<void>): Promise<void> {
  failed.value = ''
  try {
    await what()
  } catch (error) {
    failed.value = (error as Error).message
  }
}
const save = () => attempt(async () => {
  const part = { name: name.value, merge: merge.value, whenLost: whenLost.value, fadeSeconds: Number(fadeSeconds.value) }
  if (props.universe) await show.replace('universes', props.universe.id, part)
  emit('done', props.universe?.id ?? (await show.add('universes', part)).id ?? '')
})
const remove = () => attempt(async () => {
  await show.remove('universes', props.universe?.id ?? '')
  emit('gone')
})
</script>

<template>
  <form class="panel" aria-label="Universe" @submit.prevent="save">
    <h2>{{ universe ? `Change ${universe.name}` : 'New universe' }}</h2>
    <v-text-field v-model="name" label="Name" autofocus />
    <v-select v-model="merge" :items="rules" label="Sources of equal priority" />
    <p class="quiet">The highest priority always wins first.</p>
    <v-select v-model="whenLost" :items="losses" label="When its last source is gone" />
    <v-text-field v-if="whenLost === 'fade'" v-model.number="fadeSeconds" type="number" step="any" label="Fade time in seconds, 0 to 3600" />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary">{{ universe ? 'Save' : 'Add the universe' }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
      <v-btn v-if="universe" color="error" @click="remove">Delete</v-btn>
    </div>
  </form>
</template>

<style scoped>
form { display: grid; gap: 12px; }
</style>
