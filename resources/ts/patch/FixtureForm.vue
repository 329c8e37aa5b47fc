<script setup lang="ts">
import { ref, watch } from 'vue'
import { useBase } from '@/api/base'
import { useShow, type Fixture } from '@/api/show'
import { useAttempt } from '@/components/attempt'

const props = defineProps<{ fixture: Fixture | null }>()
const emit = defineEmits<{ done: [id: string], cancel: [] }>()
const show = useShow()
const base = useBase()
const universe = props.fixture?.universe ?? show.universes[0]?.id ?? ''
const draft = ref({ name: props.fixture?.name ?? '', profile: props.fixture?.profile ?? show.profiles[0]?.id ?? '', universe, first: props.fixture?.first ?? show.data?.nextFree[universe] ?? 1 })
const { failed, attempt } = useAttempt()
// The next free address is offered, as long as a fixture is new.
watch(() => draft.value.universe, (now) => { if (!props.fixture) draft.value.first = show.data?.nextFree[now] ?? 1 })

const save = () => attempt(async () => {
  const part = { ...draft.value, first: Number(draft.value.first) }
  const id = props.fixture?.id
  if (id) await base.save((at) => show.replace('fixtures', id, part, at))
  emit('done', id ?? (await show.add('fixtures', part)).id ?? '')
})
</script>

<template>
  <form class="panel" aria-label="Fixture" @submit.prevent="save">
    <h2>{{ fixture ? `Change ${fixture.name}` : 'New fixture' }}</h2>
    <div class="fields">
      <v-text-field v-model="draft.name" label="Name" class="wide" autofocus />
      <v-select v-model="draft.profile" :items="show.profiles" item-title="name" item-value="id" label="Profile" class="wide" />
      <v-select v-model="draft.universe" :items="show.universes" item-title="name" item-value="id" label="Universe" />
      <v-text-field v-model.number="draft.first" type="number" label="Address, 1 to 512" />
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions"><v-btn type="submit" variant="flat" color="primary">{{ fixture ? 'Save' : 'Add the fixture' }}</v-btn><v-btn @click="emit('cancel')">Cancel</v-btn></div>
  </form>
</template>

<style scoped>
form h2 { margin-bottom: 12px; }
</style>
