<script setup lang="ts">
import { ref, watch } from 'vue'
import { useShow, type Fixture, type Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'

const props = defineProps<{ fixture: Fixture | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const universe = show.universes[0]?.id ?? ''
const firstFree = (id: unknown) => show.data?.nextFree[String(id)] ?? 1
const draft = ref<Values>(
  props.fixture ? { ...props.fixture } : { profile: show.profiles[0]?.id, universe, first: firstFree(universe) },
)
// The next free address is offered, as long as a fixture is new.
watch(
  () => draft.value.universe,
  (now) => {
    if (!props.fixture) draft.value.first = firstFree(now)
  },
)
</script>

<template>
  <PartForm v-model="draft" list="fixtures" :part="fixture" @done="emit('done', $event)" @cancel="emit('cancel')" />
</template>
